import { leavesOf, measuredLeaves, seenByEye } from '@undrel/core/crown';
import { LEAVES_OF, type Visit } from '@undrel/core/records';
import { PageLink } from '@/ui/PageLink';
import { leavesTold } from '../../../protocol/leaves';

/** The colour of leaves as it was measured on pictures of a visit, and whether it counts. */
export function LeafColours({ visit, href }: { visit: Pick<Visit, 'findings' | 'pictures'>; href: string }) {
  const measured = LEAVES_OF.flatMap((of) => leavesOf(visit, of) ?? []);
  if (measured.length === 0) return null;
  return (
    <section aria-label="Leaf colour, measured" className="border-l-4 border-ink pl-3 my-3 text-sm">
      {measured.map((leaves) => (
        <p key={leaves.of}>{leavesTold(leaves)}</p>
      ))}
      <p className="text-muted">
        {seenByEye(visit)
          ? 'Not weighed: what the eye saw below stands.'
          : measuredLeaves(visit)
            ? 'Weighed in place of the colour seen below; scorched margins are for the eye.'
            : 'Leaves of both this tree and the reference tree are needed for it to count.'}{' '}
        <PageLink href={href}>Pictures</PageLink>
      </p>
    </section>
  );
}
