'use client';

import { Dialog } from 'radix-ui';
import { useRef, useState, type PointerEvent } from 'react';
import {
  MOST_BARK,
  MOST_IN_SECTION,
  MOST_LAYERS,
  SHOWN,
  type Picture,
  type PictureMark,
} from '@undrel/core/records';
import { RING } from '@undrel/core/vocabulary';
import { lengthByBar, rootsBelowGrade, scaleBySheet, type BarKind } from '@undrel/core/photogrammetry';
import { usePreferences } from '../shell/preferences';
import { Marked } from './Marked';
import { CardOutlines } from './CardOutlines';
import { BarOutline } from './BarOutline';
import { PictureMarks } from './PictureMarks';
import { PictureScale } from './PictureScale';
import type { Touching } from './ScaleByHand';
import { placeOn } from './placeOn';
import { SheetOutline } from './SheetOutline';
import { isInGround, pictureWords, SHOWN_WORDS, sideOf } from '../../protocol/pictureWords';
import { marksTold } from '../../protocol/pictures';
import { Select } from '../../ui/controls/Select';

/** Where a picture stands in reports. */
const IN_REPORTS = [
  { key: 'first', label: 'First in reports' },
  { key: undefined, label: 'In turn' },
  { key: 'leftOut', label: 'Leave out' },
] as const;

/** What is measured by hand, and all that is measured on a picture. */
const BY_HAND: readonly (keyof Picture)[] = ['sheet', 'bar', 'face', 'section'];
const MEASURED: readonly (keyof Picture)[] = [...BY_HAND, 'cards', 'leaves'];
const without = (picture: Picture, left: readonly (keyof Picture)[]): Picture => {
  const next = { ...picture };
  for (const key of left) delete next[key];
  return next;
};

/** A mark shorter than this share of the picture is a slip of the finger. */
const SLIP = 0.01;

/** One picture large: what it shows, its caption, and marks drawn over it by finger or mouse. */
export function PictureView({
  picture,
  stem,
  disabled,
  onChange,
  onRemove,
  onClose,
}: {
  picture: Picture;
  /** Diameter of the stem as it was measured. */
  stem: number | undefined;
  disabled: boolean;
  onChange: (picture: Picture, field: string) => void;
  onRemove: () => void;
  onClose: () => void;
}) {
  const [kind, setKind] = useState<PictureMark['kind']>();
  const { units: system } = usePreferences();
  const [drawn, setDrawn] = useState<PictureMark>();
  const [touching, setTouching] = useState<Touching>();
  const [wrong, setWrong] = useState<string>();
  const [barLength, setBarLength] = useState<number>();
  const svg = useRef<SVGSVGElement>(null);
  const marks = picture.marks ?? [];
  const set = <K extends keyof Picture>(key: K, value: Picture[K] | undefined) => {
    const next = { ...picture };
    if (value === undefined) delete next[key];
    else next[key] = value;
    onChange(next, key);
  };
  const setMarks = (next: PictureMark[]) => set('marks', next.length > 0 ? next : undefined);
  /** A scale by hand takes the place of another, and of what was measured by that. */
  const setScale = (scale: Pick<Picture, 'sheet' | 'bar'>, field: string) => {
    setTouching(undefined);
    onChange({ ...without(picture, BY_HAND), ...scale }, field);
  };
  /** A bar from end to end, kept once its length is known. */
  const setBar = (of: BarKind, ends: readonly [number, number][], length: number | undefined) => {
    const bar = { of, from: ends[0]!, to: ends[1]!, length: length ?? NaN };
    if (length === undefined) return setTouching({ what: 'bar', of, touched: [...ends] });
    if (!lengthByBar(picture, bar, bar.from, bar.to)) {
      setTouching(undefined);
      return setWrong('The two ends lie too close together; touch them again, farther apart.');
    }
    setScale({ bar }, 'bar');
  };
  /** One more place of what is touched by hand; the last one makes it, or says why not. */
  const touch = (at: [number, number], what: Touching) => {
    if (what.what === 'bark') {
      const bark = picture.cards?.bark ?? [];
      if (picture.cards && bark.length < MOST_BARK) set('cards', { ...picture.cards, bark: [...bark, at] });
      return;
    }
    if (what.what === 'face') {
      const face = picture.face ?? [];
      if (face.length <= MOST_LAYERS) set('face', [...face, at]);
      return;
    }
    if (what.what === 'section') {
      const section = [...(picture.section ?? []), at];
      if (!picture.bar || section.length > 2 + MOST_IN_SECTION) return;
      // Refused where it is made: what was touched before stays.
      const roots = rootsBelowGrade(picture, picture.bar, section);
      if ('problem' in roots) return setWrong(roots.problem);
      setWrong(undefined);
      set('section', section);
      return;
    }
    if (what.what === 'bar') {
      if (what.touched.length === 2) return;
      const touched = [...what.touched, at];
      if (touched.length < 2) return setTouching({ ...what, touched });
      const known = picture.bar?.of === what.of ? picture.bar.length : undefined;
      return setBar(what.of, touched, barLength ?? known ?? (what.of === 'stem' ? stem : undefined));
    }
    const touched = [...what.touched, at];
    if (touched.length < 4) return setTouching({ ...what, touched });
    const sides = picture.sheet?.kind === what.kind ? picture.sheet.sides : undefined;
    const sheet = { kind: what.kind, corners: touched, ...(sides && { sides }) } as NonNullable<
      Picture['sheet']
    >;
    // Whether its corners go round is asked at once, whatever its sides turn out to be.
    const scale = scaleBySheet(picture, { ...sheet, sides: sides ?? [1, 1] });
    setTouching(undefined);
    if ('problem' in scale) return setWrong(scale.problem);
    setScale({ sheet }, 'sheet');
  };
  const shownMarks = marksTold({ ...picture, marks: drawn ? [...marks, drawn] : marks }, system) ?? [];
  const begin = (event: PointerEvent<SVGSVGElement>) => {
    if (disabled) return;
    const at = placeOn(svg.current!, event);
    if (touching) return touch(at, touching);
    if (!kind) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    setDrawn({ kind, from: at, to: at });
  };
  const finish = () => {
    if (drawn && Math.hypot(drawn.to[0] - drawn.from[0], drawn.to[1] - drawn.from[1]) > SLIP)
      setMarks([...marks, drawn]);
    setDrawn(undefined);
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ink/60 z-40" />
        <Dialog.Content
          className="fixed inset-0 sm:inset-6 z-50 bg-sheet overflow-y-auto p-4 flex flex-col lg:flex-row gap-4"
          aria-describedby={undefined}
        >
          <div
            className="sticky -top-4 z-10 bg-sheet w-full shrink-0 lg:static lg:shrink lg:flex-1 lg:min-w-0"
            style={{ aspectRatio: `${picture.width} / ${picture.height}`, maxHeight: '82vh' }}
          >
            <div
              className={(kind || touching) && !disabled ? 'touch-none cursor-crosshair h-full' : 'h-full'}
            >
              <Marked
                ref={svg}
                picture={{ ...picture, marks: shownMarks }}
                about={pictureWords(picture)}
                size="page"
                onPointerDown={begin}
                onPointerMove={(event) =>
                  setDrawn((now) => now && { ...now, to: placeOn(svg.current!, event) })
                }
                onPointerUp={finish}
                onPointerCancel={() => setDrawn(undefined)}
              >
                <SheetOutline
                  picture={picture}
                  corners={touching?.what === 'sheet' ? touching.touched : (picture.sheet?.corners ?? [])}
                />
                {picture.cards && <CardOutlines picture={picture} cards={picture.cards} />}
                <BarOutline
                  picture={picture}
                  ends={
                    touching?.what === 'bar'
                      ? touching.touched
                      : picture.bar
                        ? [picture.bar.from, picture.bar.to]
                        : []
                  }
                />
              </Marked>
            </div>
          </div>
          <div className="lg:w-[22rem] space-y-3">
            <div className="flex items-start justify-between gap-3">
              <Dialog.Title className="font-bold text-lg">{pictureWords(picture)}</Dialog.Title>
              <Dialog.Close className="quiet">Close</Dialog.Close>
            </div>
            <label className="block">
              <span className="block text-sm">Caption</span>
              <input
                className="w-full"
                maxLength={300}
                disabled={disabled}
                value={picture.caption ?? ''}
                onChange={({ target }) => set('caption', target.value || undefined)}
              />
            </label>
            <div className="grid grid-cols-2 gap-3">
              <Select
                label="Shows"
                disabled={disabled}
                options={SHOWN.map((key) => ({ key, label: SHOWN_WORDS[key] }))}
                empty="not said"
                value={picture.shows}
                onChange={(shows) => set('shows', shows)}
              />
              <Select
                label={isInGround(picture.shows) ? 'Lies at' : 'Taken from'}
                disabled={disabled}
                options={[
                  ...new Set([...RING, ...(picture.bearing === undefined ? [] : [picture.bearing])]),
                ].map((bearing) => ({ key: String(bearing), label: sideOf(bearing) }))}
                empty="not said"
                value={picture.bearing === undefined ? undefined : String(picture.bearing)}
                onChange={(bearing) => set('bearing', bearing === undefined ? undefined : Number(bearing))}
              />
            </div>
            {picture.step && (
              <p className="flex flex-wrap items-center gap-x-3">
                <span>Proves a step of the order.</span>
                <button
                  type="button"
                  className="link min-h-[44px]"
                  disabled={disabled}
                  onClick={() => set('step', undefined)}
                >
                  Not of a step
                </button>
              </p>
            )}
            <div role="radiogroup" aria-label="In reports" className="flex flex-wrap gap-x-4">
              {IN_REPORTS.map(({ key, label }) => (
                <label key={label} className="flex items-center gap-2 min-h-[44px]">
                  <input
                    type="radio"
                    name="in-reports"
                    disabled={disabled}
                    checked={key === (picture.leftOut ? 'leftOut' : picture.first && 'first')}
                    onChange={() => {
                      const { leftOut: _, first: __, ...rest } = picture;
                      onChange({ ...rest, ...(key && { [key]: true }) }, key ?? 'leftOut');
                    }}
                  />
                  {label}
                </label>
              ))}
            </div>
            <PictureScale
              picture={picture}
              touching={touching}
              problem={wrong}
              system={system}
              stem={stem}
              disabled={disabled}
              onTouch={(next) => {
                setWrong(undefined);
                setBarLength(undefined);
                setKind(undefined);
                setTouching(next);
              }}
              onProblem={setWrong}
              onSides={(sides) => {
                const { sides: _, ...sheet } = picture.sheet!;
                set('sheet', { ...sheet, ...(sides && { sides }) });
              }}
              onBarLength={(length) => {
                setBarLength(length);
                if (touching?.what === 'bar' && touching.touched.length === 2)
                  setBar(touching.of, touching.touched, length);
                else if (picture.bar && length !== undefined && !touching)
                  set('bar', { ...picture.bar, length });
              }}
              onFace={(face) => set('face', face)}
              onSection={(section) => set('section', section)}
              onNoScale={() => {
                onChange(without(picture, MEASURED), 'cards');
              }}
              onCards={(cards) => set('cards', cards)}
              onLeaves={(leaves) => set('leaves', leaves)}
            />
            <PictureMarks
              kind={kind}
              marks={marks}
              disabled={disabled}
              onKind={(next) => {
                setTouching(undefined);
                setKind(next);
              }}
              onMarks={setMarks}
            />
            {!disabled && (
              <button type="button" className="link min-h-[44px] text-harm" onClick={onRemove}>
                Remove this picture
              </button>
            )}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
