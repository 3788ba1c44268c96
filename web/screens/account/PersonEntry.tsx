'use client';

import { ROLE_OPTIONS, type PersonRow } from './firmStates';
import { FormSelect } from '../../ui/controls/Select';

/** One person: role, in or out, and links for who is locked out. */
export function PersonEntry({
  person,
  setPerson,
  me,
  mayManage,
}: {
  person: PersonRow;
  setPerson: (form: FormData) => void;
  me: string;
  mayManage: boolean;
}) {
  return (
    <li className="border-b border-hair py-2">
      <form action={setPerson} className="flex flex-wrap items-center gap-3">
        <input type="hidden" name="id" value={person.id} />
        <input type="hidden" name="version" value={person.version} />
        <input type="hidden" name="was" value={person.disabled ? 'out' : 'in'} />
        <span className="flex-1 min-w-[12rem]">
          <strong className={person.disabled ? 'line-through' : ''}>{person.name}</strong>
          {person.id === me && <span className="text-muted"> (you)</span>}
          <span className="block text-sm text-muted">{person.email}</span>
        </span>
        {mayManage ? (
          <>
            <FormSelect
              label={`Role of ${person.name}`}
              hidden
              className=""
              name="role"
              initial={person.role}
              options={ROLE_OPTIONS}
            />
            <button className="quiet">Save role</button>
            <button className="link" name="shut" value={person.disabled ? 'in' : 'out'}>
              {person.disabled ? 'Let in' : 'Shut out'}
            </button>
            {!person.disabled && (
              <button
                className="link"
                name="do"
                value="link"
                aria-label={`Link for a new password of ${person.name}`}
              >
                Password link
              </button>
            )}
            {person.secondStep && (
              <button
                className="link"
                name="do"
                value="second"
                aria-label={`Take the second step off ${person.name}`}
              >
                Take second step off
              </button>
            )}
          </>
        ) : (
          <span>{person.role}</span>
        )}
      </form>
    </li>
  );
}
