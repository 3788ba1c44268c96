'use client';

import { percent } from '@undrel/core/units';
import { useState } from 'react';
import type { TrenchDesign } from '@undrel/core/records';
import type { Alternative, SoilRemedy } from '@undrel/core/trenching';

/** Every way of opening the soil on the same ground; another than the rules' choice is taken with a reason. */
export function TrenchAlternatives(props: {
  alternatives: readonly Alternative[];
  choice: TrenchDesign['choice'];
  disabled: boolean;
  onChoose: (choice: TrenchDesign['choice']) => void;
}) {
  const { alternatives, choice } = props;
  const [wanted, setWanted] = useState<SoilRemedy | undefined>(undefined);
  const [why, setWhy] = useState('');
  const advised = alternatives.find((a) => a.advised);
  const taken = alternatives.find((a) => a.remedy === choice?.remedy) ?? advised;
  return (
    <section className="my-3">
      <h2>Other ways, on the same ground</h2>
      <table className="w-full my-1" aria-label="Ways of opening the soil">
        <thead>
          <tr>
            <th scope="col">way</th>
            <th scope="col" className="text-right">
              opens
            </th>
            <th scope="col" className="text-right">
              disturbs
            </th>
            <th scope="col" className="text-right">
              hours
            </th>
          </tr>
        </thead>
        <tbody>
          {alternatives.map((a) => (
            <tr key={a.remedy} className={a === taken ? 'bg-wash' : ''}>
              <td className="py-1.5">
                <strong>{a.title}</strong>
                {a.advised && <span className="text-todo font-semibold"> by the rules</span>}
                {a === taken && choice && <span className="text-todo font-semibold"> chosen</span>}
                <span className="block text-sm">{a.says}</span>
                {!props.disabled && a !== taken && (
                  <button
                    type="button"
                    className="link min-h-[44px]"
                    aria-label={`Choose instead: ${a.title}`}
                    onClick={() => (a === advised ? props.onChoose(undefined) : setWanted(a.remedy))}
                  >
                    Choose instead
                  </button>
                )}
              </td>
              <td className="num text-right align-top py-1.5">{percent(a.opens)}</td>
              <td className="num text-right align-top py-1.5">{percent(a.disturbs)}</td>
              <td className="num text-right align-top py-1.5">{a.hours.toFixed(1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {choice && <p className="told my-1">Chosen against the rules: {choice.why}</p>}
      {wanted && (
        <WhyChosen
          why={why}
          onChoose={props.onChoose}
          wanted={wanted}
          setWanted={setWanted}
          setWhy={setWhy}
          alternatives={alternatives}
        />
      )}
    </section>
  );
}

function WhyChosen({
  why,
  onChoose,
  wanted,
  setWanted,
  setWhy,
  alternatives,
}: {
  why: string;
  onChoose: (choice: TrenchDesign['choice']) => void;
  wanted: SoilRemedy;
  setWanted: (next: SoilRemedy | undefined) => void;
  setWhy: (next: string) => void;
  alternatives: readonly Alternative[];
}) {
  return (
    <form
      className="my-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (why.trim() === '') return;
        onChoose({ remedy: wanted, why: why.trim() });
        setWanted(undefined);
        setWhy('');
      }}
    >
      <label className="block">
        <span className="block text-sm">
          Why {alternatives.find((a) => a.remedy === wanted)!.title.toLowerCase()}?
        </span>
        <textarea
          className="w-full"
          rows={2}
          required
          maxLength={500}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
      </label>
      <div className="flex gap-2 mt-1">
        <button className="act">Take it</button>
        <button type="button" className="quiet" onClick={() => setWanted(undefined)}>
          Leave it
        </button>
      </div>
    </form>
  );
}
