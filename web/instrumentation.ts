/** Before the first request: the schema is brought up to date, or the server says why it cannot start. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === 'nodejs') {
    const { ready } = await import('./server/database/ready');
    await ready();
    const { readyForWork } = await import('./server/readyForWork');
    // Nobody waits for it; what fails here is told to whoever asks for the same.
    readyForWork().catch((error: unknown) => console.error(error));
  }
}
