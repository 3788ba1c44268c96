'use client';

import { Dialog } from 'radix-ui';
import { useDeferredValue, useRef, useState, type PointerEvent } from 'react';
import { type Picture, type PictureMark } from '@undrel/core/records';
import { usePreferences } from '../shell/preferences';
import { Marked } from './Marked';
import { CardOutlines } from './CardOutlines';
import { BarOutline } from './BarOutline';
import { PictureMarks } from './PictureMarks';
import { PictureScale } from './PictureScale';
import type { Touching } from './ScaleByHand';
import { placeOn } from './placeOn';
import { SheetOutline } from './SheetOutline';
import { pictureWords } from '../../protocol/pictureWords';
import { marksTold } from '../../protocol/pictures';
import { PictureFacts } from './PictureFacts';
import { useTouching } from './useTouching';
import type { UnitSystem } from '@undrel/core/units';

/** A mark shorter than this share of the picture is a slip of the finger. */
const SLIP = 0.01;

interface PictureViewProps {
  picture: Picture;
  /** Diameter of the stem as it was measured. */
  stem: number | undefined;
  disabled: boolean;
  onChange: (picture: Picture, field: string) => void;
  onRemove: () => void;
  onClose: () => void;
}

/** One picture large: what it shows, its caption, and marks drawn over it by finger or mouse. */
export function PictureView({ picture, stem, disabled, onChange, onRemove, onClose }: PictureViewProps) {
  const [kind, setKind] = useState<PictureMark['kind']>();
  const { units: system } = usePreferences();
  const hand = useTouching(picture, stem, onChange);
  const { touching, set } = hand;
  const marks = picture.marks ?? [];
  // The picture is what was pressed for; what there is to say of it follows.
  const told = useDeferredValue(true, false);
  const setMarks = (next: PictureMark[]) => set('marks', next.length > 0 ? next : undefined);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ink/60 z-40" />
        <Dialog.Content
          className="fixed inset-0 sm:inset-6 z-50 bg-sheet overflow-y-auto p-4 flex flex-col lg:flex-row gap-4"
          aria-describedby={undefined}
        >
          <PictureInHand
            picture={picture}
            kind={kind}
            touching={touching}
            system={system}
            disabled={disabled}
            onTouch={hand.touch}
            onMark={(mark) => setMarks([...marks, mark])}
          />
          <div className="lg:w-[22rem] space-y-3">
            <div className="flex items-start justify-between gap-3">
              <Dialog.Title className="font-bold text-lg">{pictureWords(picture)}</Dialog.Title>
              <Dialog.Close className="quiet">Close</Dialog.Close>
            </div>
            {told && (
              <>
                <PictureFacts disabled={disabled} picture={picture} set={set} onChange={onChange} />
                <PictureScale
                  picture={picture}
                  touching={touching}
                  problem={hand.wrong}
                  system={system}
                  stem={stem}
                  disabled={disabled}
                  onTouch={(next) => {
                    setKind(undefined);
                    hand.begin(next);
                  }}
                  onProblem={hand.tell}
                  onSides={(sides) => {
                    const { sides: _, ...sheet } = picture.sheet!;
                    set('sheet', { ...sheet, ...(sides && { sides }) });
                  }}
                  onBarLength={hand.takeLength}
                  onFace={(face) => set('face', face)}
                  onSection={(section) => set('section', section)}
                  onNoScale={hand.noScale}
                  onCards={(cards) => set('cards', cards)}
                  onLeaves={(leaves) => set('leaves', leaves)}
                />
                <PictureMarks
                  kind={kind}
                  marks={marks}
                  disabled={disabled}
                  onKind={(next) => {
                    hand.begin(undefined);
                    setKind(next);
                  }}
                  onMarks={setMarks}
                />
                {!disabled && (
                  <button type="button" className="link min-h-[44px] text-harm" onClick={onRemove}>
                    Remove this picture
                  </button>
                )}
              </>
            )}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** The picture itself, touched and drawn over. */
function PictureInHand({
  picture,
  kind,
  touching,
  system,
  disabled,
  onTouch,
  onMark,
}: {
  picture: Picture;
  /** What is drawn over it by a stroke. */
  kind: PictureMark['kind'] | undefined;
  touching: Touching | undefined;
  system: UnitSystem;
  disabled: boolean;
  onTouch: (at: [number, number]) => void;
  onMark: (mark: PictureMark) => void;
}) {
  const svg = useRef<SVGSVGElement>(null);
  const [drawn, setDrawn] = useState<PictureMark>();
  const marks = [...(picture.marks ?? []), ...(drawn ? [drawn] : [])];
  const begin = (event: PointerEvent<SVGSVGElement>) => {
    if (disabled) return;
    const at = placeOn(svg.current!, event);
    if (touching) return onTouch(at);
    if (!kind) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    setDrawn({ kind, from: at, to: at });
  };
  const finish = () => {
    if (drawn && Math.hypot(drawn.to[0] - drawn.from[0], drawn.to[1] - drawn.from[1]) > SLIP) onMark(drawn);
    setDrawn(undefined);
  };
  return (
    <div
      className="sticky -top-4 z-10 bg-sheet w-full shrink-0 lg:static lg:shrink lg:flex-1 lg:min-w-0"
      style={{ aspectRatio: `${picture.width} / ${picture.height}`, maxHeight: '82vh' }}
    >
      <div className={(kind || touching) && !disabled ? 'touch-none cursor-crosshair h-full' : 'h-full'}>
        <Marked
          ref={svg}
          picture={{ ...picture, marks: marksTold({ ...picture, marks }, system) ?? [] }}
          about={pictureWords(picture)}
          size="page"
          onPointerDown={begin}
          onPointerMove={(event) => setDrawn((now) => now && { ...now, to: placeOn(svg.current!, event) })}
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
  );
}
