declare global {
  interface Navigator {
    /** Network Information API, a draft: not every browser has it. */
    readonly connection?: { readonly effectiveType?: string };
  }
}

/**
 * Runs in the page as it comes, sent as its own text. On a slow line the first page of a device goes without the faces of its
 * letters: it would wait a second for them, and one that comes too late for a page is not shown by it. From the next page on,
 * when programs are kept here, they come.
 */
export function facesLater(): void {
  const speed = navigator.connection?.effectiveType;
  if (speed && speed !== '4g' && !navigator.serviceWorker?.controller)
    document.documentElement.dataset.faces = 'later';
}
