import type { PlanSides } from '../../protocol/grounds';
import { Notice } from '../../ui/Notice';

/** Outlines changed by someone else since this page was made, beside those of the file. */
export function StalePlan(props: { sides: PlanSides; onTheirs: () => void; onMine: () => void }) {
  const told = ({ outlines, names }: PlanSides['mine']) =>
    `${outlines} ${outlines === 1 ? 'outline' : 'outlines'}${names.length > 0 ? `: ${names.join(', ')}` : ''}`;
  return (
    <Notice label="Changed by someone else" bad onClose={props.onTheirs}>
      <p>This property has been changed by someone else. Nothing was imported yet; its outlines are</p>
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 my-1">
        <dt className="font-semibold">There now</dt>
        <dd>{told(props.sides.theirs)}</dd>
        <dt className="font-semibold">Your file</dt>
        <dd>{told(props.sides.mine)}</dd>
      </dl>
      <p className="flex flex-wrap gap-2">
        <button type="button" className="quiet" onClick={props.onTheirs}>
          Keep what is there
        </button>
        <button type="button" className="act" onClick={props.onMine}>
          Take the file
        </button>
      </p>
    </Notice>
  );
}
