/** A field of the browser's own that holds a text. */
export type TextField = HTMLInputElement | HTMLTextAreaElement;

/** Puts a text into a field as if it had been typed: past what its part of the page has of it, which then hears of it. */
export function typeInto(field: TextField, text: string): void {
  Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')!.set!.call(field, text);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}
