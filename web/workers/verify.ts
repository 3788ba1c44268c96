import { verifyReport, type Verified } from '@undrel/core/proof';
import { expose } from 'comlink';

/** Works a report out anew from what is attached to it. Nothing of it leaves the device. */
const work = {
  verify: (pdf: Uint8Array, today: string): Promise<Verified | { problem: string }> =>
    verifyReport(pdf, today),
};
export type VerifyWork = typeof work;

expose(work);
