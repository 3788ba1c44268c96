import type { Profile } from '@undrel/core/profile';
import { writeLengths, type UnitSystem } from '@undrel/core/units';
import { Said } from '../../../ui/Said';

/**
 * Readings of a station that do not go together, and what keeps its figures from being computed.
 *
 * @param props.reserved its place is there before there is anything to say: something that can be pressed stands below
 */
export function Contradictions(props: {
  station: 'mulch' | 'probe';
  profile: Profile;
  system: UnitSystem;
  reserved?: boolean;
}) {
  const told = [
    ...(props.station === 'mulch' ? props.profile.missing : []),
    ...props.profile.problems.filter((p) => p.station === props.station).map((p) => p.message),
  ].map((message) => <p key={message}>{writeLengths(message, props.system)}</p>);
  if (props.reserved) return <Said told={told.length > 0 && <div className="wrong">{told}</div>} lines={3} />;
  if (told.length === 0) return null;
  return (
    <div className="wrong my-3" role="status">
      {told}
    </div>
  );
}
