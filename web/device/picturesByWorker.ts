import type { Change } from '../protocol/item';
import { allPicturesHere, forgetPicture, pictureOf } from './keptPictures';
import { send } from './sending';
import { sendPicture } from './sendPicture';

/**
 * Sends the pictures of a person that wait on this device, one after the other, each with its record at its visit. One that
 * is not taken, or of which there is a record already, stays for its page.
 *
 * @returns false where the server was not reached, and it is to be tried again
 */
export async function sendPicturesByWorker(person: string): Promise<boolean> {
  for (const kept of await allPicturesHere(person)) {
    const { id: here, visitId, file } = kept;
    const sent = await sendPicture(file, kept, () => undefined, new AbortController().signal);
    if ('problem' in sent) {
      if (sent.away) return false;
      continue;
    }
    const values = pictureOf(sent, kept, undefined) as Change['values'];
    const results = await send(
      [{ kind: 'picture', id: sent.id, parent: visitId, base: 0, values }],
      person,
      false,
    );
    if (results === 'away') return false;
    if (results === 'signed out') return true;
    if (results[0]?.status === 'saved') await forgetPicture(here);
  }
  return true;
}
