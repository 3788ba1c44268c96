/** Keeps a file; one that is there already is the same. */
export const KEEP = `insert into picture_files (firm_id, hash, type, width, height, original, page, small, created_by)
  values (current_firm(), $1, $2, $3, $4, $5, $6, $7, current_actor()) on conflict do nothing`;
export const FILE = {
  small: `select small as bytes from picture_files where hash = $1`,
  page: `select page as bytes from picture_files where hash = $1`,
} as const;
