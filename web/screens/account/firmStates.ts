/** What the forms of a firm's page hold and answer. */
export interface FirmState {
  name: string;
  units: string;
  prefix: string;
  version: number;
  told?: string;
  problem?: string;
}
export interface InviteState {
  email: string;
  role: string;
  link?: string;
  /** Whom the link was mailed to, where mail is sent. */
  mailed?: string;
  problem?: string;
}
export interface PersonState {
  problem?: string;
  told?: string;
  /** A link with which a person chooses a new password, shown once. */
  link?: string;
}
export interface PersonRow {
  id: string;
  name: string;
  email: string;
  role: string;
  version: number;
  disabled: boolean;
  secondStep: boolean;
}
/** A link that nobody has opened yet. */
export interface InvitationRow {
  id: string;
  email: string;
  role: string;
  until: string;
}
/** Where somebody is signed in, and which properties were taken along there. */
export interface DeviceRow {
  id: string;
  person: string;
  agent: string;
  seen: string;
  holds: string[];
  here: boolean;
}

export const ROLE_OPTIONS = [
  { key: 'owner', label: 'owner: everything, people too' },
  { key: 'consultant', label: 'consultant: measures, judges, issues' },
  { key: 'crew', label: 'crew: measures' },
  { key: 'reader', label: 'reader: reads' },
];
