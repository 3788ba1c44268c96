import { asJpeg } from './asJpeg';
import { PIECE_BYTES, type PiecesAnswer, type SentPicture } from '../protocol/pieces';
import { PERSON_HEADER } from '../protocol/person';

const AWAY = { problem: 'Could not reach the server; it is still here, send it again.', away: true } as const;
const STOPPED = { problem: 'Stopped; it is still here, send it again.' };

/** Why a picture did not arrive; `away` where the server was not reached, and it may arrive another time. */
export interface NotSent {
  problem: string;
  away?: true;
}

/** A picture that is there, for the visit it was sent for. */
type Sent = Required<SentPicture>;

/** Who took a picture, and at which visit. */
interface Of {
  person: string;
  visitId: string;
}
const visitOf = ({ visitId }: Of): string => `visit=${encodeURIComponent(visitId)}`;

/**
 * Sends a picture and says how far it is; a large one in pieces, and what arrived is not sent again. Sent again it is the
 * same picture.
 *
 * @param of who took it, from whom alone the server takes it, and the visit it is for
 * @param onProgress share of the bytes that are sent, 0 to 1
 */
export const sendPicture = async (
  file: Blob,
  of: Of,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<Sent | NotSent> => {
  const readable = await asJpeg(file);
  // Without a safe connection the browser works out no hash; then it is sent whole.
  if (readable.size <= PIECE_BYTES || !globalThis.crypto?.subtle)
    return sendWhole(readable, of, onProgress, signal);
  try {
    return await sendPieces(readable, of, onProgress, signal);
  } catch {
    return signal.aborted ? STOPPED : AWAY;
  }
};

const hex = (bytes: ArrayBuffer): string =>
  [...new Uint8Array(bytes)].map((b) => b.toString(16).padStart(2, '0')).join('');

async function sendPieces(
  file: Blob,
  of: Of,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<Sent | NotSent> {
  const headers = { [PERSON_HEADER]: of.person };
  const total = file.size;
  const hash = hex(await crypto.subtle.digest('SHA-256', await file.arrayBuffer()));
  type There = Pick<PiecesAnswer, 'have'> & { picture?: Sent };
  const answerTo = async (asks: Promise<Response>): Promise<There | NotSent> => {
    const answer = await asks;
    return (await answer.json()) as There | NotSent;
  };
  let there = await answerTo(fetch(`/api/pictures/pieces?hash=${hash}&${visitOf(of)}`, { signal, headers }));
  for (;;) {
    if ('problem' in there) return there;
    if (there.picture) return there.picture;
    const at = there.have;
    onProgress(at / total);
    there = await answerTo(
      fetch(`/api/pictures/pieces?hash=${hash}&at=${at}&total=${total}&${visitOf(of)}`, {
        method: 'POST',
        body: file.slice(at, at + PIECE_BYTES),
        signal,
        headers,
      }),
    );
    // Neither whole nor farther than before: nothing would come of sending on.
    if (!('problem' in there) && !there.picture && there.have <= at) return AWAY;
  }
}

/** By a service worker, which knows no other way: nobody is told how far it is. */
const sendUnseen = (file: Blob, of: Of, signal: AbortSignal): Promise<Sent | NotSent> =>
  fetch(`/api/pictures?${visitOf(of)}`, {
    method: 'POST',
    body: file,
    headers: { [PERSON_HEADER]: of.person },
    signal,
  })
    .then(async (answer) => (await answer.json()) as Sent | NotSent)
    .catch(() => (signal.aborted ? STOPPED : AWAY));

function sendWhole(
  file: Blob,
  of: Of,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<Sent | NotSent> {
  if (typeof XMLHttpRequest === 'undefined') return sendUnseen(file, of, signal);
  return new Promise((done) => {
    const request = new XMLHttpRequest();
    request.open('POST', `/api/pictures?${visitOf(of)}`);
    request.setRequestHeader(PERSON_HEADER, of.person);
    request.responseType = 'json';
    request.upload.onprogress = ({ loaded, total }) => onProgress(total > 0 ? loaded / total : 0);
    request.onload = () => {
      const answer = request.response as Sent | NotSent | null;
      done(answer ?? AWAY);
    };
    request.onerror = () => done(AWAY);
    request.onabort = () => done(STOPPED);
    signal.addEventListener('abort', () => request.abort());
    request.send(file);
  });
}
