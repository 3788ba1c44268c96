import { Said } from '../../ui/Said';

/** A link that is shown once, marked as a whole when it is pressed. */
export const LinkShown = ({ link }: { link: string }) => (
  <input className="w-full num" readOnly value={link} data-whole="" />
);

/** A place for a link that is shown once, of one height whatever it shows. */
export function LinkPlace(props: { link?: string; problem?: string; label: string; before: string }) {
  return (
    <div className="h-[6.2rem] overflow-y-auto my-2">
      {props.link ? (
        <label className="told block" role="status">
          <span className="block">{props.label}</span>
          <LinkShown link={props.link} />
        </label>
      ) : (
        <Said problem={props.problem} told={<span className="text-muted">{props.before}</span>} lines={3} />
      )}
    </div>
  );
}
