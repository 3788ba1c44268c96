'use client';

import { useRef, useState } from 'react';
import { idOf, type Picture, type Tree } from '@undrel/core/records';
import { RING } from '@undrel/core/vocabulary';
import { operationOf } from '@undrel/core/vocabulary';
import { pictureOf } from '../../device/keptPictures';
import { useCase, type CaseControl } from '../../device/useCase';
import { itemsBelow, type ItemOf } from '../../protocol/item';
import { count } from '../../ui/count';
import { useAsked, useToday, useVisitAsked } from '../../device/along/keptPage';
import { PageLink } from '../../ui/PageLink';
import { Entry } from '../../ui/controls/Entry';
import { usePreferences } from '../shell/preferences';
import { TreePageBar } from '../shell/TreePageBar';
import { SaveState } from '../tree/SaveState';
import { Marked } from './Marked';
import { OnTheirWay } from './OnTheirWay';
import { PictureView } from './PictureView';
import { usePictures } from './usePictures';
import { Viewfinder } from './Viewfinder';
import { reportPictures } from '../../protocol/chosenPictures';
import { ringOf } from '../../protocol/ringOf';
import { pictureWords, sideOf } from '../../protocol/pictureWords';
import { treeHref } from '../../protocol/treeHref';

const TAKEN = 'image/jpeg,image/png,image/webp,image/heic,image/heif';

/** The day a file was written, as far as it is one that lies behind. */
function dayOf(file: File, today: string): string {
  const day = new Date(file.lastModified).toISOString().slice(0, 10);
  return file.lastModified > 0 && day <= today ? day : today;
}

/** Places of the eight sides in three rows, the stem in the middle. */
const GRID = [315, 0, 45, 270, undefined, 90, 225, 180, 135] as const;

/** At which place a picture goes into the report, in the corner of it. */
const PlaceInReport = ({ place }: { place: number | undefined }) => (
  <span className="absolute right-[2px] top-[2px] bg-paper px-1 text-sm pointer-events-none">
    {place === undefined ? (
      <span className="text-muted">not in the report</span>
    ) : (
      <>
        <span className="sr-only">in the report: </span>
        <span className="num font-bold">{place}</span>
      </>
    )}
  </span>
);

export interface PicturesProps {
  treeId: string;
  items: string;
  visitId: string;
  mayMeasure: boolean;
  viewer: string;
  person: string;
  today: string;
  /** The step of the order that pictures added now prove. */
  step: string | undefined;
  /** The property of a tree that is on this device alone. */
  alone?: string;
}

/** The photographs of a visit: the collar from eight sides, and whatever else was taken. */
export function PicturesScreen(props: PicturesProps) {
  const control = useCase(props.treeId, props.items, props.person);
  const visitId = useVisitAsked(props.visitId, control.items);
  // Files on their way belong to their visit: those of another one are another list.
  return <OfVisit key={visitId} {...props} control={control} visitId={visitId} />;
}

function OfVisit({ control, visitId, ...props }: PicturesProps & { control: CaseControl }) {
  const today = useToday(props.today, props.treeId);
  const asked = useAsked('step', visitId);
  const step = props.step ?? (asked !== undefined && operationOf(asked) ? asked : undefined);
  const { treeId, mayMeasure } = props;
  const { alone } = props;
  const visits = itemsBelow(control.items, 'visit', treeId)
    .map(({ id, values }) => ({ id, date: values.date }))
    .sort((a, b) => a.date.localeCompare(b.date));
  const { units: system } = usePreferences();
  const tree = control.items.find((i): i is ItemOf<'tree'> => i.kind === 'tree')!.values as Tree;
  const pictures = itemsBelow(control.items, 'picture', visitId);
  const [open, setOpen] = useState<string>();
  const [taking, setTaking] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const side = useRef<number | undefined>(undefined);
  const day = (file: File) => dayOf(file, today);
  const { queue, send, again, drop } = usePictures(
    props.person,
    { treeId, visitId, by: props.viewer, dayOf: day },
    (sent, { file, bearing, step }) => {
      const id = idOf('picture', visitId, { hash: sent.hash });
      const there = pictures.find((p) => p.id === id)?.values;
      const picture = pictureOf(
        sent,
        {
          by: props.viewer,
          on: day(file),
          ...(bearing !== undefined && { bearing }),
          ...(step !== undefined && { step }),
        },
        there,
      );
      control.set('picture', id, visitId, picture, 'hash');
    },
  );
  const ask = (bearing: number | undefined) => {
    side.current = bearing;
    input.current!.multiple = bearing === undefined;
    input.current!.click();
  };
  const ring = ringOf(pictures);
  const inRing = [...ring.values()].map((p) => p.id);
  const others = pictures.filter((p) => !inRing.includes(p.id));
  const shown = pictures.find((p) => p.id === open);
  // The newest of each side from the visits before this one.
  const visited = visits.find((v) => v.id === visitId)!.date;
  const before = visits
    .filter((v) => v.date < visited)
    .map((v) => itemsBelow(control.items, 'picture', v.id));
  const earlier = ringOf(before.flat());
  const { pair: lead, places } = reportPictures(
    { pictures: pictures.map((p) => p.values) },
    before.map((all) => ({ pictures: all.map((p) => p.values) })),
  );
  const taken = pictures.filter((p) => places.has(p.values.hash)).length;
  const set = (id: string, picture: Picture | null, field = 'hash') =>
    control.set('picture', id, visitId, picture, field);
  return (
    <div className="min-h-dvh flex flex-col">
      <TreePageBar href={treeHref(treeId, { alone })} label={tree.label} page="Pictures" />
      <main className="px-4 lg:px-8 py-4 w-full max-w-[1200px] mx-auto">
        <Entry>
          <h1>
            {tree.label}: {count(pictures.length, 'picture')}
          </h1>
          <p className="text-muted">
            Visit of{' '}
            {visits.map(({ id, date }, i) => (
              <span key={id}>
                {i > 0 && ', '}
                {id === visitId ? (
                  <strong className="text-ink">{date}</strong>
                ) : (
                  <PageLink href={treeHref(treeId, { page: 'pictures', visit: id, alone })}>{date}</PageLink>
                )}
              </span>
            ))}
          </p>
          <div className="flex flex-wrap items-center gap-x-5">
            <SaveState control={control} system={system} at="start" />
            {mayMeasure && (
              <button
                type="button"
                className="link min-h-[44px]"
                disabled={control.state.undo.length === 0}
                onClick={control.undo}
              >
                Undo
              </button>
            )}
          </div>
          <input
            ref={input}
            type="file"
            multiple
            className="sr-only"
            tabIndex={-1}
            aria-label="Pictures to add: JPEG, PNG or WebP"
            accept={TAKEN}
            onChange={({ target }) => {
              void send([...(target.files ?? [])], { bearing: side.current, step });
              target.value = '';
            }}
          />
          {pictures.length > 0 && (
            <p className="my-2" data-testid="in-report">
              {taken === 1 && pictures.length === 1
                ? 'It goes into the report'
                : taken === pictures.length
                  ? 'All of them go into the report'
                  : `${taken} of them ${taken === 1 ? 'goes' : 'go'} into the report`}
              , in the order of their numbers
              {lead && `; number 1 is that of ${lead.before.on}, beside the same side now`}. Open one to put
              it first or leave it out. With them a report stays below 5 MB.
            </p>
          )}
          <div className="lg:grid lg:grid-cols-[25rem_1fr] lg:gap-10">
            <section aria-label="Collar from eight sides" className="mb-6">
              <div className="flex flex-wrap items-baseline justify-between gap-3 max-w-[25rem]">
                <h2>Collar from eight sides</h2>
                {mayMeasure && (
                  <button
                    type="button"
                    className="act"
                    disabled={inRing.length === RING.length}
                    onClick={() => setTaking(true)}
                  >
                    Use the camera
                  </button>
                )}
              </div>
              <ol className="grid grid-cols-3 gap-1 max-w-[25rem] mt-2">
                {GRID.map((bearing) => {
                  if (bearing === undefined)
                    return (
                      <li key="stem" className="aspect-square flex items-center justify-center text-center">
                        <span>
                          <strong className="num text-2xl block">{inRing.length} of 8</strong>
                          <span className="text-sm text-muted">stem</span>
                        </span>
                      </li>
                    );
                  const there = ring.get(bearing);
                  const from = sideOf(bearing);
                  return (
                    <li key={bearing} className="aspect-square relative">
                      <button
                        type="button"
                        className="w-full h-full border border-ink bg-sheet overflow-hidden"
                        disabled={!there && !mayMeasure}
                        aria-label={there ? `Picture from ${from}` : `Take the picture from ${from}`}
                        onClick={() => (there ? setOpen(there.id) : ask(bearing))}
                      >
                        {there ? (
                          <Marked
                            picture={there.values}
                            about={pictureWords(there.values)}
                            size="small"
                            preserveAspectRatio="xMidYMid slice"
                          />
                        ) : (
                          <span className="text-3xl text-muted">+</span>
                        )}
                        <span className="absolute left-[1px] bottom-[1px] bg-paper px-1 font-bold">
                          {from}
                        </span>
                      </button>
                      {there && <PlaceInReport place={places.get(there.values.hash)} />}
                    </li>
                  );
                })}
              </ol>
              <p className="text-sm text-muted mt-1 max-w-[25rem]">
                Stand on that side, the whole collar in view. The work is proved by all eight.
              </p>
            </section>
            <section aria-label="Other pictures">
              <div className="flex flex-wrap items-baseline justify-between gap-3">
                <h2>Other pictures</h2>
                {mayMeasure && (
                  <button type="button" className="act" onClick={() => ask(undefined)}>
                    Add pictures
                  </button>
                )}
              </div>
              {step && (
                <p className="told my-2">
                  Pictures added now prove a step of the order.{' '}
                  <PageLink href={`/trees/${treeId}/order?visit=${visitId}`}>Back to the order</PageLink>
                </p>
              )}
              <OnTheirWay queue={queue} again={again} drop={drop} />
              {others.length === 0 && <p className="told my-2">None yet.</p>}
              <ul className="grid grid-cols-2 sm:grid-cols-3 gap-3 mt-2">
                {others.map((p) => (
                  <li key={p.id} className="relative">
                    <button
                      type="button"
                      className="w-full aspect-[4/3] border border-ink bg-sheet overflow-hidden block"
                      aria-label={`Open: ${pictureWords(p.values)}`}
                      onClick={() => setOpen(p.id)}
                    >
                      <Marked picture={p.values} about={pictureWords(p.values)} size="small" />
                    </button>
                    <PlaceInReport place={places.get(p.values.hash)} />
                    <p className="text-sm">{pictureWords(p.values)}</p>
                  </li>
                ))}
              </ul>
            </section>
          </div>
        </Entry>
      </main>
      {taking && (
        <Viewfinder
          sides={RING.filter((bearing) => !ring.has(bearing))}
          before={(bearing) => earlier.get(bearing)?.values.hash}
          onTake={(file, bearing) => void send([file], { bearing, step })}
          onClose={() => setTaking(false)}
        />
      )}
      {shown && (
        <PictureView
          picture={shown.values}
          stem={tree.stemDiameter ?? tree.dbh}
          disabled={!mayMeasure}
          onChange={(picture, field) => set(shown.id, picture, field)}
          onRemove={() => {
            setOpen(undefined);
            set(shown.id, null);
          }}
          onClose={() => setOpen(undefined)}
        />
      )}
    </div>
  );
}
