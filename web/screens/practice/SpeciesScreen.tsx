'use client';

import { useMemo, useState } from 'react';
import {
  SPECIES,
  SPECIES_SOURCE,
  speciesListed,
  standsWords,
  STRESSES,
  type Species,
} from '@undrel/core/species';
import { formatLength, longUnit, type UnitSystem } from '@undrel/core/units';
import { useAlive } from '../../ui/controls/Entry';
import { Said } from '../../ui/Said';
import { usePreferences } from '../shell/preferences';
import { PracticeBar } from './PracticeBar';
import { SpeciesFacts } from './SpeciesFacts';

export type SpeciesSaved = { problem: string } | { version: number };

/** Where nothing is known yet. */
const BLANK: Species = {
  name: '',
  common: [],
  foliage: 'deciduous',
  growth: 'medium',
  height: 15,
  spread: 10,
  stands: Object.fromEntries(STRESSES.map((s) => [s, 'fair'])) as Species['stands'],
  tender: false,
};

const isShipped = (name: string): boolean => SPECIES.some((s) => s.name === name);

interface SpeciesScreenProps {
  firm: string;
  own: readonly Species[];
  version: number;
  save: ((own: Species[], version: number) => Promise<SpeciesSaved>) | undefined;
}

/** What the firm knows of species: what ships with the program, and its own judgements before it. */
export function SpeciesScreen(props: SpeciesScreenProps) {
  const { units } = usePreferences();
  const [kept, setKept] = useState({ own: props.own, version: props.version });
  const [filter, setFilter] = useState('');
  const [open, setOpen] = useState<Species>();
  const [told, setTold] = useState<{ text: string; bad: boolean }>();
  const [busy, setBusy] = useState(false);
  const alive = useAlive();
  const isOwn = (s: Species) => kept.own.some((o) => o.name === s.name);
  const shown = useMemo(() => {
    const wanted = filter.trim().toLowerCase();
    const named = new Set(kept.own.map((s) => s.name));
    return speciesListed(kept.own).filter(
      (s) =>
        wanted === '' ||
        `${s.name} ${s.common.join(' ')} ${s.foliage} ${s.growth}`.toLowerCase().includes(wanted) ||
        (wanted === 'own' && named.has(s.name)),
    );
  }, [filter, kept.own]);
  const save = async (own: Species[], says: string) => {
    setBusy(true);
    const answer = await props.save!(own, kept.version).catch(() => ({
      problem: 'The server could not be reached; what you typed is still here. Try again.',
    }));
    setBusy(false);
    if ('problem' in answer) return setTold({ text: answer.problem, bad: true });
    setKept({ own, version: answer.version });
    setOpen(undefined);
    setTold({ text: says, bad: false });
  };
  const others = (name: string) => kept.own.filter((o) => o.name !== name);
  return (
    <div className="min-h-dvh">
      <PracticeBar part="Species" />
      <main className="p-4 lg:p-8 max-w-5xl">
        <h1>Species</h1>
        <p className="my-2 max-w-2xl">
          How a species grows and what it tolerates moves the chances of the causes, the growth assumed,
          watering, seasons and what is planted in its place. These are judgements ({SPECIES_SOURCE}); where{' '}
          {props.firm} knows better, its own stand before them.
        </p>
        <SpeciesFilter
          filter={filter}
          setFilter={setFilter}
          save={props.save}
          alive={alive}
          setOpen={setOpen}
          told={told}
        />
        {open?.name === '' && (
          <Editor
            species={open}
            busy={busy}
            onSave={(next) => void save([...others(next.name), next], `${next.name} is saved.`)}
            onClose={() => setOpen(undefined)}
          />
        )}
        <ul>
          {shown.map((species) => (
            <SpeciesEntry
              key={species.name}
              species={species}
              alive={alive}
              open={open}
              setOpen={setOpen}
              isOwn={isOwn}
              units={units}
              busy={busy}
              others={others}
              save={props.save && save}
            />
          ))}
        </ul>
        {shown.length === 0 && <p className="told">No species has this name; add it.</p>}
        {!props.save && <p className="told">Owners and consultants change the table.</p>}
      </main>
    </div>
  );
}

/** One species as it is judged; its name cannot be changed once it is there. */
function Editor(props: {
  species: Species;
  busy: boolean;
  onSave: ((species: Species) => void) | undefined;
  /** Takes the firm's own judgement back. */
  onBack?: () => void;
  onClose: () => void;
}) {
  const { units } = usePreferences();
  const [s, set] = useState(props.species);
  const [common, setCommon] = useState(s.common.join(', '));
  const fresh = props.species.name === '';
  const off = !props.onSave;
  const change = (part: Partial<Species>) => set({ ...s, ...part });
  return (
    <form
      aria-label={fresh ? 'A new species' : s.name}
      className="bg-sheet border border-ink p-3 mb-2 grid sm:grid-cols-2 gap-x-4 gap-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        const wrong = event.currentTarget.querySelector<HTMLElement>('[aria-invalid=true]');
        if (wrong) return wrong.focus();
        props.onSave?.({
          ...s,
          name: s.name.trim(),
          common: common
            .split(',')
            .map((name) => name.trim())
            .filter(Boolean),
        });
      }}
    >
      {fresh && (
        <label>
          <span className="block text-sm">Genus and species, or the genus</span>
          <input
            className="w-full"
            required
            minLength={2}
            maxLength={120}
            value={s.name}
            onChange={(event) => change({ name: event.target.value })}
          />
        </label>
      )}
      <label className={fresh ? '' : 'sm:col-span-2'}>
        <span className="block text-sm">Called, names parted by commas</span>
        <input className="w-full" disabled={off} value={common} onChange={(e) => setCommon(e.target.value)} />
      </label>
      <SpeciesFacts s={s} off={off} change={change} units={units} />
      <label className="flex items-center gap-2 min-h-[44px] sm:col-span-2">
        <input
          type="checkbox"
          checked={s.tender}
          disabled={off}
          onChange={(event) => change({ tender: event.target.checked })}
        />
        Roots slowly once moved: planted and reset in early spring
      </label>
      <p className="flex flex-wrap gap-3 sm:col-span-2">
        {props.onSave && (
          <button className="act" disabled={props.busy}>
            Save
          </button>
        )}
        {props.onBack && (
          <button type="button" className="quiet" disabled={props.busy} onClick={props.onBack}>
            {isShipped(s.name) ? 'As shipped' : 'Remove'}
          </button>
        )}
        <button type="button" className="quiet" onClick={props.onClose}>
          Close
        </button>
      </p>
    </form>
  );
}

function SpeciesFilter({
  filter,
  setFilter,
  save,
  alive,
  setOpen,
  told,
}: {
  filter: string;
  setFilter: (next: string) => void;
  save: ((own: Species[], version: number) => Promise<SpeciesSaved>) | undefined;
  alive: boolean;
  setOpen: (next: Species | undefined) => void;
  told: { text: string; bad: boolean } | undefined;
}) {
  return (
    <div className="sticky top-0 z-10 bg-paper border-b border-ink py-2 flex flex-wrap items-end gap-3">
      <label className="block grow max-w-md">
        <span className="block text-sm">
          Filter ({SPECIES.length} species and genera; “own” shows the firm’s)
        </span>
        <input
          className="w-full"
          type="search"
          placeholder="any name, evergreen, fast"
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
        />
      </label>
      {save && (
        <button type="button" className="quiet" disabled={!alive} onClick={() => setOpen(BLANK)}>
          Add a species
        </button>
      )}
      <Said problem={told?.bad && told.text} told={told?.text} lines={1} className="w-full" />
    </div>
  );
}

function SpeciesEntry({
  species,
  alive,
  open,
  setOpen,
  isOwn,
  units,
  busy,
  save,
  others,
}: {
  species: Species;
  alive: boolean;
  open: Species | undefined;
  setOpen: (next: Species | undefined) => void;
  isOwn: (s: Species) => boolean;
  units: UnitSystem;
  busy: boolean;
  /** Saves the firm's own species, and says what for. */
  save: ((own: Species[], says: string) => Promise<void>) | undefined;
  others: (name: string) => Species[];
}) {
  return (
    <li className="border-b border-hair">
      <button
        type="button"
        className="plain w-full text-left py-1.5 min-h-[48px]"
        disabled={!alive}
        aria-expanded={open?.name === species.name}
        onClick={() => setOpen(open?.name === species.name ? undefined : species)}
      >
        <strong>{species.name}</strong>
        {species.common[0] && ` ${species.common[0]}`}
        {isOwn(species) && <span className="text-todo"> (own)</span>}
        <span className="block text-sm text-muted">
          {species.foliage}, {species.growth} growing, {formatLength(species.height, longUnit(units))} high;{' '}
          {standsWords(species)}
        </span>
      </button>
      {open?.name === species.name && (
        <Editor
          species={open}
          busy={busy}
          onSave={save && ((next) => void save([...others(next.name), next], `${next.name} is saved.`))}
          onBack={
            save && isOwn(species)
              ? () =>
                  void save(
                    others(species.name),
                    isShipped(species.name)
                      ? `${species.name} is as shipped again.`
                      : `${species.name} is removed.`,
                  )
              : undefined
          }
          onClose={() => setOpen(undefined)}
        />
      )}
    </li>
  );
}
