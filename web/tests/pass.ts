/** Lets time pass by the clock of a test, and what waits for it go on. @param ms of the test's clock */
export async function pass(ms: number): Promise<void> {
  const settle = async () => {
    for (let i = 0; i < 20; i++) await Promise.resolve();
  };
  await settle();
  jest.advanceTimersByTime(ms);
  await settle();
}
