'use client';

import { CARDS, lackingFor } from '@undrel/core/photogrammetry';
import { type Picture, type PictureCards } from '@undrel/core/records';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import { BearingInput } from '../../ui/controls/BearingInput';
import { LengthInput } from '../../ui/controls/LengthInput';
import { type Touching } from './ScaleByHand';

/** How the cards lie in the pit, so that roots can be traced. */
export function CardsOnDig({
  system,
  cards,
  disabled,
  onCards,
  touching,
  onTouch,
  touched,
}: {
  system: UnitSystem;
  cards: PictureCards;
  disabled: boolean;
  onCards: (cards: Picture['cards']) => void;
  touching: Touching | undefined;
  onTouch: (next: Touching | undefined) => void;
  touched: number;
}) {
  return (
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
  );
}
