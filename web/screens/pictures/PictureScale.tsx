'use client';

import { LEAF_SHEET, planeIn, planeOfCards, scaleBySheet } from '@undrel/core/photogrammetry';
import { LEAVES_OF, type Picture, type PictureCards } from '@undrel/core/records';
import { LEAF_WORDS, leavesTold, type Leaves } from '../../protocol/leaves';
import { METRES_PER, type UnitSystem } from '@undrel/core/units';
import { Said } from '../../ui/Said';
import { ScaleByHand, sheetName, touchTold, type Touching } from './ScaleByHand';
import { useCards } from './useCards';
import { CardsOnDig } from './CardsOnDig';

/** How far a card is off, finer than any tape: a tenth of a millimetre, or some thousandths of an inch. */
const fine = (metres: number, system: UnitSystem): string =>
  system === 'us' ? `${(metres / METRES_PER.in).toFixed(3)} in` : `${(metres / METRES_PER.mm).toFixed(1)} mm`;

/** How the cards lie, in words: how many, how well, and which was left out. */
function cardsTold(picture: Picture, system: UnitSystem): { told: string; problem?: string } {
  const plane = planeIn(picture);
  if (!plane) return { told: '' };
  if ('problem' in plane) return { told: '', problem: plane.problem };
  const each = [...plane.cards]
    .sort((a, b) => a.id - b.id)
    .map(({ id, error }) => `${id}: ${fine(error, system)}`)
    .join(', ');
  const told =
    plane.cards.length === 1 && plane.cards[0]!.id === LEAF_SHEET.ids[0]
      ? 'The leaf sheet is found.'
      : plane.cards.length === 1
        ? `Card ${plane.cards[0]!.id} alone: lengths near it hold; lay out more cards for the whole dig.`
        : `Cards lie on one plane; off it by card ${each}.`;
  return {
    told,
    ...(plane.off && {
      problem: `Card ${plane.off.id} is left out: it is off the plane of the others by ${fine(plane.off.error, system)}. It lies higher or lower, is bent, or was printed at another size.`,
    }),
  };
}

/** In which plane lengths are measured, in words. */
function scaleTold({ cards, sheet, bar }: Picture): string {
  if (cards)
    return 'Lengths are measured in the plane of the cards; anything higher or lower comes out wrong.';
  if (sheet)
    return `Lengths are measured in the plane of the ${sheetName(sheet.kind)}; anything higher or lower comes out wrong.`;
  if (bar)
    return `Lengths hold beside the ${bar.of === 'stem' ? 'stem' : 'rod'}, at its distance from the camera, if the camera faced it squarely.`;
  return 'To set a scale, find the marker cards, or touch something of known size.';
}

const sheetProblem = (picture: Picture): string | undefined => {
  if (picture.sheet?.kind !== 'rectangle') return undefined;
  const scale = scaleBySheet(picture, picture.sheet);
  return 'problem' in scale ? scale.problem : undefined;
};

interface PictureScaleProps {
  picture: Picture;
  touching: Touching | undefined;
  problem: string | undefined;
  system: UnitSystem;
  /** Diameter of the stem as it was measured. */
  stem: number | undefined;
  disabled: boolean;
  onTouch: (next: Touching | undefined) => void;
  onProblem: (problem: string | undefined) => void;
  onSides: (sides: [number, number] | undefined) => void;
  onBarLength: (length: number | undefined) => void;
  onFace: (face: Picture['face']) => void;
  onSection: (section: Picture['section']) => void;
  /** Without a scale, nothing that was measured by it stays. */
  onNoScale: () => void;
  onCards: (cards: Picture['cards']) => void;
  onLeaves: (leaves: Picture['leaves']) => void;
}

/** What gives a picture its scale: a sheet of paper touched by hand, or cards that are found by themselves. */
export function PictureScale(props: PictureScaleProps) {
  const { picture, touching, system, disabled, onTouch, onCards, onLeaves } = props;
  const { find, measure, looking, end } = useLooking(props);
  const { cards } = picture;
  const lies = cardsTold(picture, system);
  const leafSheet = cards?.found.some((f) => LEAF_SHEET.ids.some((id) => id === f.id)) ?? false;
  const touched = cards?.bark?.length ?? 0;
  return (
    <div role="group" aria-label="Scale" className="space-y-1">
      <p className="text-sm min-h-[2.8rem]">
        {touchTold(touching, picture) ??
          (touching?.what === 'bark'
            ? `Touch the bark where it meets the ground, as far round as the picture shows: ${touched} so far.`
            : scaleTold(picture))}
      </p>
      <ScaleButtons
        disabled={disabled}
        looking={looking}
        end={end}
        find={find}
        picture={picture}
        cards={cards}
        onNoScale={props.onNoScale}
      />
      <ScaleByHand {...props} />
      <Said lines={3} problem={props.problem ?? lies.problem ?? sheetProblem(picture)} told={lies.told} />
      {leafSheet && (
        <LeafColour
          picture={picture}
          disabled={disabled}
          looking={looking}
          measure={measure}
          onLeaves={onLeaves}
        />
      )}
      {cards && !leafSheet && (
        <CardsOnDig
          system={system}
          cards={cards}
          disabled={disabled}
          onCards={onCards}
          touching={touching}
          onTouch={onTouch}
          touched={touched}
        />
      )}
    </div>
  );
}

function ScaleButtons({
  disabled,
  looking,
  end,
  find,
  picture,
  cards,
  onNoScale,
}: {
  disabled: boolean;
  looking: boolean;
  end: () => void;
  find: () => Promise<void>;
  picture: Picture;
  cards: PictureCards | undefined;
  onNoScale: () => void;
}) {
  return (
    <div className="flex flex-wrap gap-2">
      <button
        type="button"
        className="quiet min-w-[9rem]"
        disabled={disabled}
        onClick={() => (looking ? end() : void find())}
      >
        {looking ? 'Stop looking' : 'Find the cards'}
      </button>
      <button
        type="button"
        className="link min-h-[44px]"
        disabled={disabled || (!picture.sheet && !picture.bar && !cards)}
        onClick={onNoScale}
      >
        No scale
      </button>
      <a className="link min-h-[44px] inline-flex items-center" href="/cards" target="_blank">
        Print cards
      </a>
    </div>
  );
}

function LeafColour({
  picture,
  disabled,
  looking,
  measure,
  onLeaves,
}: {
  picture: Picture;
  disabled: boolean;
  looking: boolean;
  measure: (of: Leaves['of']) => Promise<void>;
  onLeaves: (leaves: Picture['leaves']) => void;
}) {
  return (
    <fieldset className="border-t border-hair pt-2">
      <legend className="font-semibold">Colour of the leaves</legend>
      <div className="flex flex-wrap gap-2">
        {LEAVES_OF.map((of) => (
          <button
            key={of}
            type="button"
            className={picture.leaves?.of === of ? 'act' : 'quiet'}
            aria-pressed={picture.leaves?.of === of}
            disabled={disabled || looking}
            onClick={() => void measure(of)}
          >
            {LEAF_WORDS[of]}
          </button>
        ))}
        <button
          type="button"
          className="link min-h-[44px]"
          disabled={disabled || !picture.leaves}
          onClick={() => onLeaves(undefined)}
        >
          Not measured
        </button>
      </div>
      <p className="text-sm min-h-[2.8rem] mt-1">
        {picture.leaves
          ? leavesTold(picture.leaves)
          : 'Say whose leaves these are, and their colour is measured.'}
      </p>
    </fieldset>
  );
}

/** Finds the cards on the picture, or measures the colour of leaves laid on their sheet. */
function useLooking({ picture, onTouch, onProblem, onCards, onLeaves }: PictureScaleProps) {
  const { look, looking, end } = useCards();
  const find = async () => {
    onTouch(undefined);
    const found = await look((work) => work.find(picture.hash));
    if ('problem' in found) return onProblem(found.problem);
    const plane = planeOfCards(picture, found, picture.cards?.side);
    if ('problem' in plane) return onProblem(plane.problem);
    const kept = found.map(({ id, corners }) => ({
      id,
      corners: corners.map(([x, y]) => [x, y]) as PictureCards['found'][number]['corners'],
    }));
    onCards({ ...picture.cards, found: kept });
  };
  const measure = async (of: Leaves['of']) => {
    onProblem(undefined);
    const leaves = await look(async (work) => work.leaves(picture));
    if ('problem' in leaves) return onProblem(leaves.problem);
    const round = (v: number) => Math.round(v * 1000) / 1000;
    const { index, spread, error, leaves: count, veins } = leaves;
    onLeaves({
      of,
      index: round(index),
      spread: round(spread),
      error: round(error),
      count,
      veins: { index: round(veins.index), error: round(veins.error) },
    });
  };
  return { find, measure, looking, end };
}
