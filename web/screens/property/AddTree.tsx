import { useState, type FormEvent } from 'react';

/** A new tree by its label and species. */
export function AddTree({ onAdd }: { onAdd: (values: { label: string; species: string }) => Promise<void> }) {
  const [label, setLabel] = useState('');
  const [species, setSpecies] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void onAdd({ label: label.trim(), species: species.trim() });
  };
  return (
    <form
      onSubmit={submit}
      className="grid grid-cols-[1fr_auto] sm:grid-cols-[1fr_1.4fr_auto] gap-2 items-end mb-3 bg-wash p-3 -mx-3"
    >
      <label className="max-sm:col-span-2">
        <span className="block text-sm">Label</span>
        <input
          className="w-full"
          required
          maxLength={80}
          value={label}
          onChange={(event) => setLabel(event.target.value)}
          autoFocus
        />
      </label>
      <label>
        <span className="block text-sm">Species</span>
        <input
          className="w-full"
          required
          maxLength={120}
          value={species}
          onChange={(event) => setSpecies(event.target.value)}
        />
      </label>
      <button className="act">Add</button>
    </form>
  );
}
