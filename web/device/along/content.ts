/** The parts of a page's content as the framework writes them into it, in order. */
const PARTS =
  /<script[^>]*>(?:\(self\.__next_f=self\.__next_f\|\|\[\]\)|self\.__next_f)\.push\((\[.*?\])\)<\/script>/gs;

/** What a part is: the beginning, text, the state of a form, or bytes that are no text. */
const [BEGIN, TEXT] = [0, 1];

/**
 * The content of a page, as a link to it asks for it: a page as it was opened holds it, for the framework to go on from.
 *
 * @param html of a page that was kept
 * @returns undefined where it holds none, or some that is no text: then the page is opened as a whole
 */
export function contentIn(html: string): string | undefined {
  let content = '';
  for (const [, part] of html.matchAll(PARTS)) {
    const [kind, text] = JSON.parse(part!) as [number, string?];
    if (kind === BEGIN) continue;
    if (kind !== TEXT || text === undefined) return undefined;
    content += text;
  }
  return content === '' ? undefined : content;
}
