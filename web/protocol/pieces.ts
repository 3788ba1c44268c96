/** A file larger than this is sent in pieces of it, bytes: on a thin line each is there within half a minute. */
export const PIECE_BYTES = 256 * 1024;

/** A picture that the server has. */
export interface SentPicture {
  hash: string;
  width: number;
  height: number;
  /** Id of its record at the visit it was sent for; none where no visit was named. */
  id?: string;
}

/** What the server has of a picture on its way, and what it is once it is whole. */
export interface PiecesAnswer {
  /** Bytes from its beginning that are there. */
  have: number;
  picture?: SentPicture;
}
