import { LEAVES_OF, type Visit } from '@undrel/core/records';
import { PageLink } from '@/ui/PageLink';
import { leavesTold } from '../../../protocol/leaves';

/** The colour of leaves as it was measured on pictures of a visit; with leaves of a reference tree it is weighed. */
export function LeafColours({ pictures, href }: { pictures: Visit['pictures']; href: string }) {
  const measured = LEAVES_OF.flatMap(
    (of) => pictures?.flatMap(({ leaves }) => (leaves?.of === of ? [leaves] : [])).at(-1) ?? [],
  );
  if (measured.length === 0) return null;
  return (
    <section aria-label="Leaf colour, measured" className="border-l-4 border-ink pl-3 my-3 text-sm">
      {measured.map((leaves) => (
        <p key={leaves.of}>{leavesTold(leaves)}</p>
      ))}
      <p className="text-muted">
        {measured.length === LEAVES_OF.length
          ? 'Weighed in place of “good” or “evenly pale” below; green veins and scorched margins are for the eye.'
          : 'Leaves of both this tree and the reference tree are needed for it to count.'}{' '}
        <PageLink href={href}>Pictures</PageLink>
      </p>
    </section>
  );
}
