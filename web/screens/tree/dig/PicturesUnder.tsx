'use client';

import { Fold } from '../../../ui/Fold';
import { Slider } from '../../../ui/controls/Slider';
import { lackingFor } from '@undrel/core/photogrammetry';
import type { Picture } from '@undrel/core/records';
import { formatValue, writeLengths, type UnitSystem } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import { pictureWords } from '../../../protocol/pictureWords';
import { LengthInput } from '../../../ui/controls/LengthInput';
import { Said } from '../../../ui/Said';
import type { Underlay } from './useUnderlay';

/** How the pictures under the plan are looked at. */
export interface UnderChoice {
  chosen: readonly string[];
  /** Depth below grade for which they are true, and at which the top of a root that is traced lies. */
  depth: number | undefined;
  /** Between 0 and 1. */
  strength: number;
  follow: boolean;
}
export const NO_PICTURE: UnderChoice = { chosen: [], depth: undefined, strength: 0.8, follow: true };

interface PicturesUnderProps {
  pictures: readonly Picture[];
  /** Page of the pictures of this visit. */
  href: string;
  choice: UnderChoice;
  underlay: Underlay;
  /** Whether the outline of the stem is known. */
  stemKnown: boolean;
  system: UnitSystem;
  onChange: (choice: UnderChoice) => void;
}

/** Pictures with cards that may lie under the plan: which, true at which depth, how strong. */
export function PicturesUnder({ pictures, ...props }: PicturesUnderProps) {
  const { href, choice, underlay, system, onChange } = props;
  const withCards = pictures.filter((p) => p.cards);
  return (
    <Fold
      className="mt-1 border-t border-ink"
      noted={choice.chosen.length > 0}
      summary={
        <>
          Trace on a picture
          {withCards.length > 0 && <span className="font-normal text-muted">&nbsp;({withCards.length})</span>}
        </>
      }
    >
      {withCards.length === 0 && (
        <p className="text-sm">
          Lay marker cards round the collar and take a picture: its cards are found at{' '}
          <PageLink href={href}>Pictures</PageLink>, and roots are traced here in place of the tape.{' '}
          <PageLink href="/cards">Print cards</PageLink>
        </p>
      )}
      <ul>
        {withCards.map((picture) => (
          <CardPicture key={picture.hash} picture={picture} {...props} />
        ))}
      </ul>
      {withCards.length > 0 && (
        <HowTraced system={system} choice={choice} onChange={onChange} underlay={underlay} />
      )}
    </Fold>
  );
}

/** A picture with marker cards: how true it is, or what it still needs. */
function CardPicture({
  picture,
  href,
  choice,
  underlay,
  stemKnown,
  system,
  onChange,
}: { picture: Picture } & Omit<PicturesUnderProps, 'pictures'>) {
  const lies = underlay.lies.find((l) => l.hash === picture.hash);
  const lacking = lackingFor(picture.cards!, stemKnown);
  const ready = lies !== undefined && 'eye' in lies;
  const short = (m: number) => formatValue(m, 'short length', system);
  return (
    <li className="border-b border-hair py-1">
      <label className="flex items-center gap-2 min-h-[44px]">
        <input
          type="checkbox"
          disabled={!ready}
          checked={choice.chosen.includes(picture.hash)}
          onChange={({ target }) =>
            onChange({
              ...choice,
              chosen: target.checked
                ? [...choice.chosen, picture.hash]
                : choice.chosen.filter((h) => h !== picture.hash),
              depth: choice.depth ?? picture.cards!.level,
            })
          }
        />
        <span>
          {pictureWords(picture)}
          <span className="block text-sm text-muted">
            {lacking.length > 0 ? (
              <>
                Still needed: {lacking.join('; ')}. <PageLink href={href}>Pictures</PageLink>
              </>
            ) : !lies ? (
              'Being placed on the plan …'
            ) : 'problem' in lies ? (
              writeLengths(lies.problem, system)
            ) : (
              `Cards ${short(lies.level)} below grade; places to ± ${short(lies.plusMinus)}.`
            )}
          </span>
        </span>
      </label>
    </li>
  );
}

function HowTraced({
  system,
  choice,
  onChange,
  underlay,
}: {
  system: UnitSystem;
  choice: UnderChoice;
  onChange: (choice: UnderChoice) => void;
  underlay: Underlay;
}) {
  return (
    <div className="space-y-2 mt-2">
      <div className="grid grid-cols-2 gap-3">
        <LengthInput
          field="rootDepth"
          label="Top of the roots at"
          system={system}
          value={choice.depth}
          onChange={(depth) => onChange({ ...choice, depth })}
        />
        <div>
          <span className="block text-sm">Strength of the picture</span>
          <Slider
            label="Strength of the picture"
            says={`${Math.round(100 * choice.strength)}%`}
            min={0}
            max={100}
            value={Math.round(100 * choice.strength)}
            onChange={(strength) => onChange({ ...choice, strength: strength / 100 })}
          />
        </div>
      </div>
      <label className="flex items-center gap-2 min-h-[44px]">
        <input
          type="checkbox"
          checked={choice.follow}
          onChange={({ target }) => onChange({ ...choice, follow: target.checked })}
        />
        Follow the edges of the root, and read its thickness
      </label>
      <p className="text-sm text-muted">
        Give the depth of the top of the root below grade first, by the rod: the picture is true for roots at
        that depth, and others are seen beside their place. Then draw the root, from the stem outward. A stem
        that is not round: draw its bark first, under Stem, tape and compass.
      </p>
      <Said lines={2} problem={underlay.problem} told={underlay.working ? 'Placing the picture …' : ''} />
    </div>
  );
}
