'use client';

import {
  CARDS,
  LEAF_SHEET,
  lackingFor,
  planeIn,
  planeOfCards,
  scaleBySheet,
} from '@undrel/core/photogrammetry';
import { LEAVES_OF, type Picture, type PictureCards } from '@undrel/core/records';
import { LEAF_WORDS, leavesTold, type Leaves } from '../../protocol/leaves';
import { formatValue, METRES_PER, type UnitSystem } from '@undrel/core/units';
import { BearingInput } from '../../ui/controls/BearingInput';
import { LengthInput } from '../../ui/controls/LengthInput';
import { Said } from '../../ui/Said';
import { ScaleByHand, sheetName, touchTold, type Touching } from './ScaleByHand';
import { useCards } from './useCards';

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

/** What gives a picture its scale: a sheet of paper touched by hand, or cards that are found by themselves. */
export function PictureScale({
  picture,
  touching,
  problem,
  system,
  stem,
  disabled,
  onTouch,
  onProblem,
  onSides,
  onBarLength,
  onFace,
  onSection,
  onNoScale,
  onCards,
  onLeaves,
}: {
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
}) {
  const { look, looking, end } = useCards();
  const { cards } = picture;
  const find = async () => {
    onTouch(undefined);
    const found = await look((work) => work.find(picture.hash));
    if ('problem' in found) return onProblem(found.problem);
    const plane = planeOfCards(picture, found, cards?.side);
    if ('problem' in plane) return onProblem(plane.problem);
    const kept = found.map(({ id, corners }) => ({
      id,
      corners: corners.map(([x, y]) => [x, y]) as PictureCards['found'][number]['corners'],
    }));
    onCards({ ...cards, found: kept });
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
      <ScaleByHand
        picture={picture}
        touching={touching}
        system={system}
        stem={stem}
        disabled={disabled}
        onTouch={onTouch}
        onSides={onSides}
        onBarLength={onBarLength}
        onFace={onFace}
        onSection={onSection}
      />
      <Said lines={3} problem={problem ?? lies.problem ?? sheetProblem(picture)} told={lies.told} />
      {leafSheet && (
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
      )}
      {cards && !leafSheet && (
        <fieldset className="border-t border-hair pt-2 space-y-2">
          <legend className="font-semibold">On the plan of the dig</legend>
          <div className="grid grid-cols-2 gap-3 items-end">
            <LengthInput
              field="rootDepth"
              label="Cards below grade"
              system={system}
              value={cards.level}
              disabled={disabled}
              onChange={(level) => onCards({ ...cards, level })}
            />
            <BearingInput
              label={`Arrow of card ${Math.min(...cards.found.map((c) => c.id))} points`}
              value={cards.towards}
              disabled={disabled}
              onChange={(towards) => onCards({ ...cards, towards })}
            />
          </div>
          <div className="flex flex-wrap gap-2">
            <button
              type="button"
              className={touching?.what === 'bark' ? 'act' : 'quiet'}
              aria-pressed={touching?.what === 'bark'}
              disabled={disabled}
              onClick={() => onTouch(touching?.what === 'bark' ? undefined : { what: 'bark' })}
            >
              Touch the bark
            </button>
            <button
              type="button"
              className="link min-h-[44px]"
              disabled={disabled || touched === 0}
              onClick={() => onCards({ ...cards, bark: undefined })}
            >
              Take the touches off
            </button>
          </div>
          <p className="text-sm min-h-[2.8rem]">
            {lackingFor(cards, true).length > 0
              ? `To trace roots on it, still needed: ${lackingFor(cards, true).join('; ')}.`
              : 'Ready: roots are traced on it at the station Dig.'}
          </p>
          <details>
            <summary className="min-h-[44px] flex items-center cursor-pointer underline">
              Printed at another size?
            </summary>
            <LengthInput
              field="printedSide"
              label={`Black square, side to side (${formatValue(CARDS.side, 'short length', system)} as printed)`}
              system={system}
              value={cards.side}
              disabled={disabled}
              onChange={(side) => onCards({ ...cards, side })}
            />
          </details>
        </fieldset>
      )}
    </div>
  );
}
