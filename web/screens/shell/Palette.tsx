'use client';

import { Command } from 'cmdk';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Hit } from '../../protocol/grounds';
import type { Opened } from '../../ui/late';
import { usePreferences } from './preferences';
import { THEMES } from './themes';

const KIND_WORDS: Record<Hit['kind'], string> = {
  tree: 'Trees',
  property: 'Property',
  client: 'Clients',
  event: 'Events',
  report: 'Reports',
};

type Found = { state: 'idle' | 'looking' | 'away' } | { state: 'found'; hits: Hit[] };

/** Search over everything and the commands that are always at hand. */
export function Palette({ onClose, typed }: Pick<Opened, 'onClose' | 'typed'>) {
  const router = useRouter();
  const { units, setUnits, setTheme } = usePreferences();
  const [words, setWords] = useState('');
  /** From here on the field itself is typed into. */
  const takeTyped = () => {
    if (typed?.current) setWords(typed.current);
    if (typed) typed.current = undefined;
  };
  const found = useFound(words);
  const go = (href: string) => {
    onClose();
    router.push(href);
  };
  const commands: [string, () => void][] = [
    ['Go to the properties', () => go('/grounds')],
    ['What is due this season', () => go('/season')],
    ['Open the practice book', () => go('/practice')],
    ['Rates and closed seasons', () => go('/practice/rates')],
    ['Account', () => go('/account')],
    ['Firm and people', () => go('/firm')],
    [
      units === 'metric' ? 'Show inches and feet' : 'Show centimetres and metres',
      () => setUnits(units === 'metric' ? 'us' : 'metric'),
    ],
    ...THEMES.map((theme): [string, () => void] => [
      `${theme === 'sun' ? 'Bright-sun' : theme === 'dark' ? 'Dark' : 'Paper'} theme`,
      () => setTheme(theme),
    ]),
  ];
  const item =
    'px-3 min-h-[44px] flex items-center gap-3 cursor-pointer aria-selected:bg-wash aria-selected:outline-2 aria-selected:outline-todo';
  const hits = found.state === 'found' ? found.hits : [];
  return (
    <Command.Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      label="Find"
      shouldFilter={false}
      overlayClassName="fixed inset-0 z-40 bg-ink/40"
      contentClassName="fixed z-50 left-1/2 -translate-x-1/2 top-[8vh] w-[36rem] max-w-[calc(100vw-24px)] bg-sheet border-2 border-ink"
    >
      <Command.Input
        className="w-full !border-0 !border-b-2 !border-ink text-lg px-3 min-h-[52px]"
        placeholder="Tree, property, species, note, report number"
        value={words}
        onValueChange={setWords}
        onFocus={takeTyped}
      />
      <Command.List className="max-h-[60vh] overflow-auto py-1">
        {found.state === 'looking' && <p className="px-3 py-2 text-muted">Looking…</p>}
        {found.state === 'away' && (
          <p className="px-3 py-2 text-harm">The server could not be reached; try again.</p>
        )}
        {found.state === 'found' && hits.length === 0 && (
          <p className="px-3 py-2">Nothing mentions “{words}”.</p>
        )}
        {(Object.keys(KIND_WORDS) as Hit['kind'][]).map((kind) => {
          const ofKind = hits.filter((h) => h.kind === kind);
          if (ofKind.length === 0) return null;
          return <HitsOfKind key={kind} kind={kind} ofKind={ofKind} item={item} go={go} />;
        })}
        {commands
          .filter(([name]) => name.toLowerCase().includes(words.trim().toLowerCase()))
          .map(([name, run]) => (
            <Command.Item
              key={name}
              value={name}
              className={item}
              onSelect={() => {
                run();
                onClose();
              }}
            >
              {name}
            </Command.Item>
          ))}
      </Command.List>
    </Command.Dialog>
  );
}

/** What the server finds of some words, once they rest. */
function useFound(words: string): Found {
  const [found, setFound] = useState<Found>({ state: 'idle' });
  useEffect(() => {
    if (words.trim().length < 2) {
      setFound({ state: 'idle' });
      return;
    }
    const stop = new AbortController();
    const timer = setTimeout(async () => {
      setFound({ state: 'looking' });
      try {
        const answer = await fetch(`/api/search?q=${encodeURIComponent(words)}`, { signal: stop.signal });
        setFound(answer.ok ? { state: 'found', hits: (await answer.json()) as Hit[] } : { state: 'away' });
      } catch {
        if (!stop.signal.aborted) setFound({ state: 'away' });
      }
    }, 150);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [words]);
  return found;
}

function HitsOfKind({
  kind,
  ofKind,
  item,
  go,
}: {
  kind: 'tree' | 'property' | 'event' | 'client' | 'report';
  ofKind: Hit[];
  item: 'px-3 min-h-[44px] flex items-center gap-3 cursor-pointer aria-selected:bg-wash aria-selected:outline-2 aria-selected:outline-todo';
  go: (href: string) => void;
}) {
  return (
    <Command.Group
      heading={KIND_WORDS[kind]}
      className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:text-muted"
    >
      {ofKind.map((hit) => (
        <Command.Item
          key={hit.href + hit.title}
          value={hit.href + hit.title}
          className={item}
          onSelect={() => go(hit.href)}
        >
          <strong>{hit.title}</strong>
          <span className="text-muted">{hit.detail}</span>
        </Command.Item>
      ))}
    </Command.Group>
  );
}
