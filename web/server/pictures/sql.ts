/** Keeps a file; one that is there already is the same. */
export const KEEP = `insert into picture_files (firm_id, hash, type, width, height, original, page, small, print, created_by)
  values (current_firm(), $1, $2, $3, $4, $5, $6, $7, $8, current_actor()) on conflict do nothing`;
export const FILE = {
  small: `select firm_id, small as bytes from picture_files where hash = $1`,
  page: `select firm_id, page as bytes from picture_files where hash = $1`,
} as const;
/** As paper shows them; the page of one that came before there was a print. */
export const PRINTS = `select hash, firm_id, print, case when print is null then page end as bytes
  from picture_files where hash = any($1)`;
export const SIZE = `select width, height from picture_files where hash = $1`;
/** Pieces follow each other without a gap: their bytes are those from the beginning on. */
export const HAVE = `select coalesce(sum(octet_length(bytes)), 0)::int as have from picture_pieces where hash = $1`;
export const ON_THE_WAY = `select coalesce(sum(octet_length(bytes)), 0) as waiting from picture_pieces`;
export const ADD_PIECE = `insert into picture_pieces (firm_id, hash, at, total, bytes, created_by)
  values (current_firm(), $1, $2, $3, $4, current_actor()) on conflict do nothing`;
export const PIECES = `select bytes from picture_pieces where hash = $1 order by at`;
export const FORGET_PIECES = `delete from picture_pieces where hash = $1`;
/** A phone that was off for so long sends it from the beginning. */
export const FORGET_OLD_PIECES = `delete from picture_pieces where created_at < now() - interval '7 days'`;
