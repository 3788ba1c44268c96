import { MATTERS, type Schools } from '@undrel/core/practice';

/** The schools that a form chose, matter by matter; what is not a school is left out. */
export function chosenIn(form: FormData): Schools {
  const schools: Record<string, string> = {};
  for (const matter of MATTERS) {
    const chosen = form.get(matter.key);
    if (typeof chosen === 'string' && matter.schools.some((s) => s.key === chosen))
      schools[matter.key] = chosen;
  }
  return schools;
}

/** What someone else chose meanwhile, in words. */
export function chosenMeanwhile(theirs: Schools, yours: Schools): string {
  const other = MATTERS.filter((m) => (theirs[m.key] ?? '') !== (yours[m.key] ?? '')).map(
    (m) => `${m.label}: ${m.schools.find((s) => s.key === theirs[m.key])?.label ?? 'as the level above'}`,
  );
  return `Someone else has changed this page. Theirs: ${other.join('; ') || 'the same'}. Yours is shown; Save keeps yours.`;
}
