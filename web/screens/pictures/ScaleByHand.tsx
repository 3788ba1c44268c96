'use client';

import { useState } from 'react';
import {
  BARS,
  layerDepths,
  rootsBelowGrade,
  SHEETS,
  type BarKind,
  type RootSeen,
  type SeenSheet,
  type SheetKey,
  type PlaneLength,
} from '@undrel/core/photogrammetry';
import { MOST_IN_SECTION, MOST_LAYERS, type Picture } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import { isInGround } from '../../protocol/pictureWords';
import { lengthTold } from '../../protocol/pictures';
import { LengthInput } from '../../ui/controls/LengthInput';

type Place = [number, number];

/** What is touched on the picture at the moment. */
export type Touching =
  | { what: 'sheet'; kind: SeenSheet['kind']; touched: Place[] }
  | { what: 'bar'; of: BarKind; touched: Place[] }
  | { what: 'bark' }
  | { what: 'face' }
  | { what: 'section' };

/** What gives a scale by hand, as its button has it. */
export const BAR_WORDS: Record<BarKind, { button: string; length: string }> = {
  rod: { button: 'Rod or tape', length: 'Length between the ends' },
  stem: { button: 'Stem', length: 'Diameter of the stem there' },
};
export const sheetName = (kind: SeenSheet['kind']): string =>
  kind === 'rectangle' ? 'rectangle' : SHEETS[kind].name;

/** What to touch next, in words; undefined where nothing is touched by hand. */
export function touchTold(touching: Touching | undefined, picture: Picture): string | undefined {
  if (touching?.what === 'sheet') {
    const where = touching.kind === 'rectangle' ? 'go round it' : 'go round it, a short edge first';
    return `Touch corner ${touching.touched.length + 1} of 4 of the ${sheetName(touching.kind)}: ${where}.`;
  }
  if (touching?.what === 'bar') {
    if (touching.touched.length === 2) return 'Now enter how long that is.';
    return touching.of === 'stem'
      ? `Touch the edge of the stem where its diameter was measured: side ${touching.touched.length + 1} of 2.`
      : `Touch end ${touching.touched.length + 1} of 2 of the rod, or two marks of the tape.`;
  }
  if (touching?.what === 'face' && picture.face?.length === 1 + MOST_LAYERS)
    return `${MOST_LAYERS} layers are touched; no more are allowed.`;
  if (touching?.what === 'face')
    return picture.face
      ? `Touch where each layer ends: ${picture.face.length - 1} so far.`
      : 'Touch the grade beside the tape.';
  if (touching?.what === 'section' && picture.section?.length === 2 + MOST_IN_SECTION)
    return `${MOST_IN_SECTION} roots are touched; no more are allowed.`;
  if (touching?.what === 'section')
    return (picture.section?.length ?? 0) < 2
      ? `Touch the bark at the grade: side ${(picture.section?.length ?? 0) + 1} of 2.`
      : `Touch the tops of roots to the left and to the right: ${picture.section!.length - 2} so far.`;
  return undefined;
}

/** What may be touched for a scale, and which of it is being touched. */
function choicesOf(
  touching: Touching | undefined,
): { key: string; label: string; here: boolean; touch: Touching }[] {
  return [
    ...(Object.keys(SHEETS) as SheetKey[]).map((kind) => ({
      key: kind,
      label: SHEETS[kind].name,
      here: touching?.what === 'sheet' && touching.kind === kind,
      touch: { what: 'sheet' as const, kind, touched: [] },
    })),
    {
      key: 'rectangle',
      label: 'Rectangle',
      here: touching?.what === 'sheet' && touching.kind === 'rectangle',
      touch: { what: 'sheet', kind: 'rectangle', touched: [] },
    },
    ...BARS.map((of) => ({
      key: of,
      label: BAR_WORDS[of].button,
      here: touching?.what === 'bar' && touching.of === of,
      touch: { what: 'bar' as const, of, touched: [] },
    })),
  ];
}

interface ScaleByHandProps {
  picture: Picture;
  touching: Touching | undefined;
  system: UnitSystem;
  /** Diameter of the stem as it was measured. */
  stem: number | undefined;
  disabled: boolean;
  onTouch: (next: Touching | undefined) => void;
  onSides: (sides: [number, number] | undefined) => void;
  onBarLength: (length: number | undefined) => void;
  onFace: (face: Picture['face']) => void;
  onSection: (section: Picture['section']) => void;
}

/** Buttons for each thing of known size, and the lengths that are asked for. */
export function ScaleByHand({
  picture,
  touching,
  system,
  stem,
  disabled,
  onTouch,
  onSides,
  onBarLength,
  onFace,
  onSection,
}: ScaleByHandProps) {
  const { sheet, bar, face, section, shows } = picture;
  const barOf = touching?.what === 'bar' ? touching.of : bar?.of;
  const layers = bar?.of === 'rod' && face ? layerDepths(picture, bar, face) : [];
  const roots = bar && section ? rootsBelowGrade(picture, bar, section) : [];
  const touchFor = (what: 'face' | 'section') => ({
    here: touching?.what === what,
    disabled,
    onTouch: () => onTouch(touching?.what === what ? undefined : { what }),
  });
  return (
    <>
      <div className="flex flex-wrap gap-2" role="group" aria-label="Scale by hand">
        {choicesOf(touching).map(({ key, label, here, touch }) => (
          <button
            key={key}
            type="button"
            className={here ? 'act' : 'quiet'}
            aria-pressed={here}
            disabled={disabled}
            onClick={() => onTouch(here ? undefined : touch)}
          >
            {label}
          </button>
        ))}
      </div>
      {sheet?.kind === 'rectangle' && !touching && (
        <Sides key={picture.hash} sides={sheet.sides} system={system} disabled={disabled} onSides={onSides} />
      )}
      {barOf && (
        <LengthInput
          field="knownLength"
          label={BAR_WORDS[barOf].length}
          system={system}
          value={bar?.of === barOf ? bar.length : barOf === 'stem' ? stem : undefined}
          disabled={disabled}
          onChange={onBarLength}
        />
      )}
      {bar?.of === 'rod' && (shows === undefined || isInGround(shows)) && (
        <LayersTouched touchFor={touchFor} face={face} onFace={onFace} layers={layers} system={system} />
      )}
      {bar && !isInGround(shows) && (
        <SectionTouched
          touchFor={touchFor}
          section={section}
          onSection={onSection}
          roots={roots}
          picture={picture}
          system={system}
        />
      )}
    </>
  );
}

/** Tops of roots on the section of a stem, from the bark outward. */
export const rootsTold = (roots: readonly RootSeen[], system: UnitSystem): string =>
  `Tops of roots at ${roots.map(({ depth, distance }) => `${lengthTold(depth, system)}, ${lengthTold(distance, system)} out`).join('; ')}`;

/** What is touched on a picture beside its scale, and what that comes to. */
function Touched(props: {
  id: string;
  label: string;
  off: string;
  here: boolean;
  disabled: boolean;
  children: string;
  onTouch: () => void;
  onOff: (() => void) | undefined;
}) {
  return (
    <div>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className={props.here ? 'act' : 'quiet'}
          aria-pressed={props.here}
          disabled={props.disabled}
          onClick={props.onTouch}
        >
          {props.label}
        </button>
        <button
          type="button"
          className="link min-h-[44px]"
          disabled={props.disabled || !props.onOff}
          onClick={props.onOff}
        >
          {props.off}
        </button>
      </div>
      <p className="text-sm min-h-[2.8rem]" data-testid={props.id}>
        {props.children}
      </p>
    </div>
  );
}

/** The two sides of a rectangle; both are needed. */
function Sides(props: {
  sides: readonly [number, number] | undefined;
  system: UnitSystem;
  disabled: boolean;
  onSides: (sides: [number, number] | undefined) => void;
}) {
  const [typed, setTyped] = useState<(number | undefined)[]>([...(props.sides ?? [undefined, undefined])]);
  return (
    <div className="grid grid-cols-2 gap-3 items-end">
      {['First side touched', 'Next side'].map((label, i) => (
        <LengthInput
          key={label}
          field="knownLength"
          label={label}
          system={props.system}
          value={typed[i]}
          disabled={props.disabled}
          onChange={(value) => {
            const next = typed.map((v, k) => (k === i ? value : v));
            setTyped(next);
            const [a, b] = next;
            props.onSides(a === undefined || b === undefined ? undefined : [a, b]);
          }}
        />
      ))}
    </div>
  );
}

/** What the button of something that is touched says and does. */
type TouchFor = (what: 'face' | 'section') => { here: boolean; disabled: boolean; onTouch: () => void };

function LayersTouched({
  touchFor,
  face,
  onFace,
  layers,
  system,
}: {
  touchFor: TouchFor;
  face: [number, number][] | undefined;
  onFace: (face: Picture['face']) => void;
  layers: PlaneLength[] | { problem: string };
  system: UnitSystem;
}) {
  return (
    <Touched
      {...touchFor('face')}
      id="layers"
      label="Layers of the soil"
      off="Take the layers off"
      onOff={face && (() => onFace(undefined))}
    >
      {'problem' in layers
        ? layers.problem
        : layers.length > 0
          ? `Layers end at ${layers.map((depth) => lengthTold(depth, system)).join(', ')} below grade. Take them at the hole, station Soil.`
          : 'For the face of a pit with a tape hung down it: touch the grade, then where each layer ends.'}
    </Touched>
  );
}

function SectionTouched({
  touchFor,
  section,
  onSection,
  roots,
  picture,
  system,
}: {
  touchFor: TouchFor;
  section: [number, number][] | undefined;
  onSection: (section: Picture['section']) => void;
  roots: RootSeen[] | { problem: string };
  picture: Picture;
  system: UnitSystem;
}) {
  return (
    <Touched
      {...touchFor('section')}
      id="section"
      label="Section of the stem"
      off="Take the roots off"
      onOff={section && (() => onSection(undefined))}
    >
      {'problem' in roots
        ? roots.problem
        : roots.length === 0
          ? 'For a stem laid bare, seen level from one side: touch the bark at the grade on either side, then the tops of roots to the left and to the right.'
          : picture.bearing === undefined
            ? 'Say from which side the picture was taken: that tells which way these roots run.'
            : `${rootsTold(roots, system)}. Take them at the station Probe.`}
    </Touched>
  );
}
