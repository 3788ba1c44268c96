import { useState } from 'react';
import { lengthByBar, rootsBelowGrade, scaleBySheet, type BarKind } from '@undrel/core/photogrammetry';
import { MOST_BARK, MOST_IN_SECTION, MOST_LAYERS, type Picture } from '@undrel/core/records';
import type { Touching } from './ScaleByHand';

type Spot = [number, number];

/** What is measured by hand, and all that is measured on a picture. */
const BY_HAND: readonly (keyof Picture)[] = ['sheet', 'bar', 'face', 'section'];
const MEASURED: readonly (keyof Picture)[] = [...BY_HAND, 'cards', 'leaves'];
const without = (picture: Picture, left: readonly (keyof Picture)[]): Picture => {
  const next = { ...picture };
  for (const key of left) delete next[key];
  return next;
};

/** The sheet whose four corners were touched, or why it is none. Whether they go round is asked whatever its sides turn out to be. */
function sheetOf(
  picture: Picture,
  { kind, touched }: Extract<Touching, { what: 'sheet' }>,
): { sheet: NonNullable<Picture['sheet']> } | { problem: string } {
  const sides = picture.sheet?.kind === kind ? picture.sheet.sides : undefined;
  const sheet = { kind, corners: touched, ...(sides && { sides }) } as NonNullable<Picture['sheet']>;
  const scale = scaleBySheet(picture, { ...sheet, sides: sides ?? [1, 1] });
  return 'problem' in scale ? scale : { sheet };
}

/** What is touched on a picture by hand, one place after the other, and what comes of it. */
export function useTouching(
  picture: Picture,
  stem: number | undefined,
  onChange: (picture: Picture, field: string) => void,
) {
  const [touching, setTouching] = useState<Touching>();
  const [wrong, setWrong] = useState<string>();
  const [barLength, setBarLength] = useState<number>();
  const set = <K extends keyof Picture>(key: K, value: Picture[K] | undefined) =>
    onChange(value === undefined ? without(picture, [key]) : { ...picture, [key]: value }, key);
  /** A scale by hand takes the place of another, and of what was measured by that. */
  const setScale = (scale: Pick<Picture, 'sheet' | 'bar'>, field: string) => {
    setTouching(undefined);
    onChange({ ...without(picture, BY_HAND), ...scale }, field);
  };
  /** A bar from end to end, kept once its length is known. */
  const setBar = (of: BarKind, ends: readonly Spot[], length: number | undefined) => {
    const bar = { of, from: ends[0]!, to: ends[1]!, length: length ?? NaN };
    if (length === undefined) return setTouching({ what: 'bar', of, touched: [...ends] });
    if (!lengthByBar(picture, bar, bar.from, bar.to)) {
      setTouching(undefined);
      return setWrong('The two ends lie too close together; touch them again, farther apart.');
    }
    setScale({ bar }, 'bar');
  };
  const touchSection = (at: Spot) => {
    const section = [...(picture.section ?? []), at];
    if (!picture.bar || section.length > 2 + MOST_IN_SECTION) return;
    // Refused where it is made: what was touched before stays.
    const roots = rootsBelowGrade(picture, picture.bar, section);
    if ('problem' in roots) return setWrong(roots.problem);
    setWrong(undefined);
    set('section', section);
  };
  const touchBar = (at: Spot, bar: Extract<Touching, { what: 'bar' }>) => {
    if (bar.touched.length === 2) return;
    const touched = [...bar.touched, at];
    if (touched.length < 2) return setTouching({ ...bar, touched });
    const known = picture.bar?.of === bar.of ? picture.bar.length : undefined;
    setBar(bar.of, touched, barLength ?? known ?? (bar.of === 'stem' ? stem : undefined));
  };
  /** One more place of what is touched; the last one makes it, or says why not. */
  const touch = (at: Spot) => {
    if (!touching) return;
    if (touching.what === 'section') return touchSection(at);
    if (touching.what === 'bar') return touchBar(at, touching);
    if (touching.what === 'bark') {
      const bark = picture.cards?.bark ?? [];
      if (picture.cards && bark.length < MOST_BARK) set('cards', { ...picture.cards, bark: [...bark, at] });
      return;
    }
    if (touching.what === 'face') {
      const face = picture.face ?? [];
      if (face.length <= MOST_LAYERS) set('face', [...face, at]);
      return;
    }
    const next = { ...touching, touched: [...touching.touched, at] };
    if (next.touched.length < 4) return setTouching(next);
    setTouching(undefined);
    const made = sheetOf(picture, next);
    if ('problem' in made) return setWrong(made.problem);
    setScale(made, 'sheet');
  };
  return {
    touching,
    wrong,
    set,
    touch,
    tell: setWrong,
    /** Something else is touched from now on, or nothing. */
    begin: (next: Touching | undefined) => {
      setWrong(undefined);
      setBarLength(undefined);
      setTouching(next);
    },
    /** The length of the bar that is touched, or of the one that is there. */
    takeLength: (length: number | undefined) => {
      setBarLength(length);
      if (touching?.what === 'bar' && touching.touched.length === 2)
        setBar(touching.of, touching.touched, length);
      else if (picture.bar && length !== undefined && !touching) set('bar', { ...picture.bar, length });
    },
    /** Without a scale, nothing that was measured by it stays. */
    noScale: () => onChange(without(picture, MEASURED), 'cards'),
  };
}
