export interface Mail {
  to: string;
  subject: string;
  text: string;
}

/** A mail that the simulated mailbox of the demo has received. */
export interface Received extends Mail {
  at: string;
}

const KEPT = 50;
const shared = globalThis as typeof globalThis & { undrelMailbox?: Received[] };

/** The simulated mailbox of the demo: newest first, kept as long as the server runs. */
export const mailbox = (): readonly Received[] => shared.undrelMailbox ?? [];

/** Puts a mail into the simulated mailbox, as a real server would send it. */
export function deliver(mail: Mail): Promise<void> {
  shared.undrelMailbox = [{ ...mail, at: new Date().toISOString() }, ...mailbox()].slice(0, KEPT);
  return Promise.resolve();
}
