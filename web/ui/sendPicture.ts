/** A picture that the server has. */
export interface SentPicture {
  hash: string;
  width: number;
  height: number;
}

/**
 * Sends a picture and says how far it is. Sent again it is the same picture.
 *
 * @param onProgress share of the bytes that are sent, 0 to 1
 */
export function sendPicture(
  file: Blob,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<SentPicture | { problem: string }> {
  return new Promise((done) => {
    const request = new XMLHttpRequest();
    const away = { problem: 'Not reached; it is still here, send it again.' };
    request.open('POST', '/api/pictures');
    request.responseType = 'json';
    request.upload.onprogress = ({ loaded, total }) => onProgress(total > 0 ? loaded / total : 0);
    request.onload = () => {
      const answer = request.response as SentPicture | { problem: string } | null;
      done(answer ?? away);
    };
    request.onerror = () => done(away);
    request.onabort = () => done({ problem: 'Stopped; it is still here, send it again.' });
    signal.addEventListener('abort', () => request.abort());
    request.send(file);
  });
}
