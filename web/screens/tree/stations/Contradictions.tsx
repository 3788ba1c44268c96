import type { Profile } from '@undrel/core/profile';
import { writeLengths, type UnitSystem } from '@undrel/core/units';

/** Readings of a station that do not go together, and what keeps its figures from being computed. */
export function Contradictions(props: { station: 'mulch' | 'probe'; profile: Profile; system: UnitSystem }) {
  const told = [
    ...(props.station === 'mulch' ? props.profile.missing : []),
    ...props.profile.problems.filter((p) => p.station === props.station).map((p) => p.message),
  ];
  if (told.length === 0) return null;
  return (
    <div className="wrong my-3" role="status">
      {told.map((message) => (
        <p key={message}>{writeLengths(message, props.system)}</p>
      ))}
    </div>
  );
}
