import { reportPictures } from '../../protocol/chosenPictures';
import { itemsBelow, type Item } from '../../protocol/item';
import { ringOf } from '../../protocol/ringOf';

/** The pictures of a visit: the collar from its sides, the others, and where they go in the report beside those from before. */
export function lookedAt(
  items: readonly Item[],
  visits: readonly { id: string; date: string }[],
  visitId: string,
) {
  const pictures = itemsBelow(items, 'picture', visitId);
  const ring = ringOf(pictures);
  const inRing = new Set([...ring.values()].map((p) => p.id));
  const visited = visits.find((v) => v.id === visitId)!.date;
  const before = visits.filter((v) => v.date < visited).map((v) => itemsBelow(items, 'picture', v.id));
  const { pair: lead, places } = reportPictures(
    { pictures: pictures.map((p) => p.values) },
    before.map((all) => ({ pictures: all.map((p) => p.values) })),
  );
  return {
    ring,
    others: pictures.filter((p) => !inRing.has(p.id)),
    /** The newest of each side from the visits before this one. */
    earlier: ringOf(before.flat()),
    lead,
    places,
  };
}
