/** Where a picture is given out, in a size. */
export const pictureUrl = (hash: string, size: 'small' | 'page'): string => `/pictures/${hash}/${size}`;
