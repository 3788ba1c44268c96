import type { DugRoot } from '@undrel/core/records';
import { joinRoots, removePoint, snapToBark, splitRoot, type PitFrame } from '@undrel/core/roots';
import { asOptions, PickList } from '../../../ui/controls/Select';

/** What is done to a root and its points as a whole. */
export function RootActions({
  root,
  others,
  point,
  frame,
  newLabel,
  onAdd,
  onPoint,
  onChange,
  onSplit,
  onJoin,
  onRemove,
}: {
  root: DugRoot;
  others: readonly DugRoot[];
  point: number | undefined;
  frame: PitFrame;
  newLabel: string;
  onAdd: () => void;
  onPoint: (index: number | undefined) => void;
  onChange: (root: DugRoot, field: string) => void;
  onSplit: (parts: [DugRoot, DugRoot]) => void;
  onJoin: (root: DugRoot, gone: string) => void;
  onRemove: () => void;
}) {
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-1 mt-2">
      <button type="button" className="link" onClick={onAdd}>
        Add a point
      </button>
      {point !== undefined && (
        <>
          <PointActions
            onChange={onChange}
            root={root}
            point={point}
            onPoint={onPoint}
            frame={frame}
            newLabel={newLabel}
            onSplit={onSplit}
          />
        </>
      )}
      {others.length > 0 && (
        <label className="text-sm inline-flex items-center gap-1">
          Join with
          <PickList
            className="min-h-[36px]"
            aria-label="Join with"
            options={asOptions(others.map((o) => o.label))}
            empty="…"
            value={undefined}
            onChange={(label) => {
              const other = others.find((o) => o.label === label);
              if (other) onJoin(joinRoots(root, other, frame), other.label);
            }}
          />
        </label>
      )}
      <button type="button" className="link" onClick={onRemove}>
        Remove root {root.label}
      </button>
    </div>
  );
}

function PointActions({
  onChange,
  root,
  point,
  onPoint,
  frame,
  newLabel,
  onSplit,
}: {
  onChange: (root: DugRoot, field: string) => void;
  root: DugRoot;
  point: number;
  onPoint: (index: number | undefined) => void;
  frame: PitFrame;
  newLabel: string;
  onSplit: (parts: [DugRoot, DugRoot]) => void;
}) {
  return (
    <>
      <button
        type="button"
        className="link"
        onClick={() => {
          onChange(removePoint(root, point), 'remove');
          onPoint(undefined);
        }}
      >
        Remove point {point + 1}
      </button>
      <button type="button" className="link" onClick={() => onChange(snapToBark(root, point, frame), 'snap')}>
        Snap point {point + 1} to the bark
      </button>
      <button
        type="button"
        className="link"
        disabled={point === 0 || point === root.points.length - 1}
        onClick={() => {
          const parts = splitRoot(root, point, newLabel);
          if (parts) onSplit(parts);
        }}
      >
        Split here
      </button>
    </>
  );
}
