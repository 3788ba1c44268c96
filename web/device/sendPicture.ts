import { asJpeg } from './asJpeg';
import { PIECE_BYTES, type PiecesAnswer } from '../protocol/pieces';

/** A picture that the server has. */
export interface SentPicture {
  hash: string;
  width: number;
  height: number;
}

const AWAY = { problem: 'Could not reach the server; it is still here, send it again.' };
const STOPPED = { problem: 'Stopped; it is still here, send it again.' };

/**
 * Sends a picture and says how far it is; a large one in pieces, and what arrived is not sent again. Sent again it is the
 * same picture.
 *
 * @param onProgress share of the bytes that are sent, 0 to 1
 */
export const sendPicture = async (
  file: Blob,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<SentPicture | { problem: string }> => {
  const readable = await asJpeg(file);
  // Without a safe connection the browser works out no hash; then it is sent whole.
  if (readable.size <= PIECE_BYTES || !globalThis.crypto?.subtle)
    return sendWhole(readable, onProgress, signal);
  try {
    return await sendPieces(readable, onProgress, signal);
  } catch {
    return signal.aborted ? STOPPED : AWAY;
  }
};

const hex = (bytes: ArrayBuffer): string =>
  [...new Uint8Array(bytes)].map((b) => b.toString(16).padStart(2, '0')).join('');

async function sendPieces(
  file: Blob,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<SentPicture | { problem: string }> {
  const total = file.size;
  const hash = hex(await crypto.subtle.digest('SHA-256', await file.arrayBuffer()));
  const answerTo = async (asks: Promise<Response>): Promise<PiecesAnswer | { problem: string }> => {
    const answer = await asks;
    return (await answer.json()) as PiecesAnswer | { problem: string };
  };
  let there = await answerTo(fetch(`/api/pictures/pieces?hash=${hash}`, { signal }));
  for (;;) {
    if ('problem' in there) return there;
    if (there.picture) return there.picture;
    const at = there.have;
    onProgress(at / total);
    there = await answerTo(
      fetch(`/api/pictures/pieces?hash=${hash}&at=${at}&total=${total}`, {
        method: 'POST',
        body: file.slice(at, at + PIECE_BYTES),
        signal,
      }),
    );
    // Neither whole nor farther than before: nothing would come of sending on.
    if (!('problem' in there) && !there.picture && there.have <= at) return AWAY;
  }
}

function sendWhole(
  file: Blob,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<SentPicture | { problem: string }> {
  return new Promise((done) => {
    const request = new XMLHttpRequest();
    request.open('POST', '/api/pictures');
    request.responseType = 'json';
    request.upload.onprogress = ({ loaded, total }) => onProgress(total > 0 ? loaded / total : 0);
    request.onload = () => {
      const answer = request.response as SentPicture | { problem: string } | null;
      done(answer ?? AWAY);
    };
    request.onerror = () => done(AWAY);
    request.onabort = () => done(STOPPED);
    signal.addEventListener('abort', () => request.abort());
    request.send(file);
  });
}
