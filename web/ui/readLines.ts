/**
 * Reads an answer of lines of JSON as they come.
 *
 * @param given what is done with each
 */
export async function readLines<T>(
  body: ReadableStream<Uint8Array<ArrayBuffer>>,
  given: (line: T) => void,
): Promise<void> {
  const reader = body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    const { value, done } = await reader.read();
    rest += value ?? '';
    const lines = rest.split('\n');
    rest = lines.pop()!;
    for (const line of lines) given(JSON.parse(line) as T);
    if (done) return;
  }
}
