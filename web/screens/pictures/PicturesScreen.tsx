'use client';

import { startTransition, useState } from 'react';
import { type Picture, type Tree } from '@undrel/core/records';
import { byDay, RING, operationOf } from '@undrel/core/vocabulary';
import { useCase, type CaseControl } from '../../device/useCase';
import { itemsBelow, type ItemOf, type Living } from '../../protocol/item';
import { count } from '../../ui/count';
import { useAsked, useToday, useVisitAsked } from '../../device/along/keptPage';
import { PageLink } from '../../ui/PageLink';
import { Entry } from '../../ui/controls/Entry';
import { usePreferences } from '../shell/preferences';
import { TreePageBar } from '../shell/TreePageBar';
import { SaveState } from '../tree/SaveState';
import { PictureView } from './PictureView';
import { Viewfinder } from './Viewfinder';
import { treeHref } from '../../protocol/treeHref';
import type { PicturePair } from '../../protocol/time';
import { CollarRing } from './CollarRing';
import { OtherPictures } from './OtherPictures';
import { lookedAt } from './lookedAt';
import { useAdding, type Adding } from './useAdding';
import type { UnitSystem } from '@undrel/core/units';

const TAKEN = 'image/jpeg,image/png,image/webp,image/heic,image/heif';

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
  const { treeId, mayMeasure, alone } = props;
  const visits = itemsBelow(control.items, 'visit', treeId)
    .map(({ id, values }) => ({ id, date: values.date }))
    .sort((a, b) => byDay(a.date, b.date));
  const { units: system } = usePreferences();
  const tree = control.items.find((i): i is ItemOf<'tree'> => i.kind === 'tree')!.values as Tree;
  const pictures = itemsBelow(control.items, 'picture', visitId);
  const [open, setShown] = useState<string>();
  // A picture with all that is marked on it takes a phone a while to draw: the press is answered first.
  const setOpen = (id: string | undefined) => startTransition(() => setShown(id));
  const [taking, setTaking] = useState(false);
  const adding = useAdding(control, { ...props, today, visitId }, pictures);
  const { ring, others, earlier, lead, places } = lookedAt(control.items, visits, visitId);
  const shown = pictures.find((p) => p.id === open);
  const taken = pictures.filter((p) => places.has(p.values.hash)).length;
  const set = (id: string, picture: Picture | null, field = 'hash') =>
    control.set('picture', id, visitId, picture, field);
  return (
    <div className="min-h-dvh flex flex-col">
      <TreePageBar href={treeHref(treeId, { alone })} label={tree.label} page="Pictures" print />
      <main className="px-4 lg:px-8 py-4 w-full max-w-[1200px] mx-auto">
        <Entry>
          <h1>
            {tree.label}: {count(pictures.length, 'picture')}
          </h1>
          <VisitsOfTree visits={visits} visitId={visitId} treeId={treeId} alone={alone} />
          <SavedAndUndo control={control} system={system} mayMeasure={mayMeasure} />
          <PictureInput adding={adding} step={step} />
          {pictures.length > 0 && <InReport taken={taken} pictures={pictures} lead={lead} />}
          <div className="lg:grid lg:grid-cols-[25rem_1fr] lg:gap-10">
            <CollarRing
              mayMeasure={mayMeasure}
              setTaking={setTaking}
              ring={ring}
              setOpen={setOpen}
              ask={adding.ask}
              places={places}
            />
            <OtherPictures
              mayMeasure={mayMeasure}
              adding={adding}
              step={step}
              order={`/trees/${treeId}/order?visit=${visitId}`}
              others={others}
              setOpen={setOpen}
              places={places}
            />
          </div>
        </Entry>
      </main>
      {taking && (
        <Viewfinder
          sides={RING.filter((bearing) => !ring.has(bearing))}
          before={(bearing) => earlier.get(bearing)?.values.hash}
          onTake={(file, bearing) => void adding.send([file], { bearing, step })}
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

/** The visit the pictures are of, and the way to those of the others. */
function VisitsOfTree({
  visits,
  visitId,
  treeId,
  alone,
}: {
  visits: { id: string; date: string }[];
  visitId: string;
  treeId: string;
  alone: string | undefined;
}) {
  return (
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
  );
}

/** What the device picks pictures by. */
function PictureInput({ adding, step }: { adding: Adding; step: string | undefined }) {
  return (
    <input
      ref={adding.input}
      type="file"
      multiple
      className="sr-only"
      tabIndex={-1}
      aria-label="Pictures to add: JPEG, PNG or WebP"
      accept={TAKEN}
      onChange={({ target }) => {
        void adding.send([...(target.files ?? [])], { bearing: adding.side.current, step });
        target.value = '';
      }}
    />
  );
}

/** How many go into the report. */
function InReport({
  taken,
  pictures,
  lead,
}: {
  taken: number;
  pictures: Living<'picture'>[];
  lead: PicturePair | undefined;
}) {
  return (
    <p className="my-2" data-testid="in-report">
      {taken === 1 && pictures.length === 1
        ? 'It goes into the report'
        : taken === pictures.length
          ? 'All of them go into the report'
          : `${taken} of them ${taken === 1 ? 'goes' : 'go'} into the report`}
      , in the order of their numbers
      {lead && `; number 1 is that of ${lead.before.on}, beside the same side now`}. Open one to put it first
      or leave it out. With them a report stays below 5 MB.
    </p>
  );
}

function SavedAndUndo({
  control,
  system,
  mayMeasure,
}: {
  control: CaseControl;
  system: UnitSystem;
  mayMeasure: boolean;
}) {
  return (
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
  );
}
