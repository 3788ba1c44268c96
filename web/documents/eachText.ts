/** Every text within plain data, changed; what is not there is left out, as JSON does. What holds no text is not copied. */
export function eachText<T>(value: T, change: (text: string) => string): T;
export function eachText(value: unknown, change: (text: string) => string): unknown {
  if (typeof value === 'string') return change(value);
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) {
    let changed: unknown[] | undefined;
    value.forEach((part, i) => {
      const now = eachText(part, change);
      if (now !== part) (changed ??= [...(value as unknown[])])[i] = now;
    });
    return changed ?? value;
  }
  let changed: Record<string, unknown> | undefined;
  for (const [key, part] of Object.entries(value)) {
    const now = eachText(part as unknown, change);
    if (part !== undefined && now === part) continue;
    changed ??= { ...value };
    if (part === undefined) delete changed[key];
    else changed[key] = now;
  }
  return changed ?? value;
}
