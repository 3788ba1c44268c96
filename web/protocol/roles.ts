export const ROLES = ['owner', 'consultant', 'crew', 'reader'] as const;
export type Role = (typeof ROLES)[number];

/** What a role may do. Crew measure; only consultants judge, prescribe and issue; owners keep the firm. */
const ALLOWED = {
  measure: ['owner', 'consultant', 'crew'],
  judge: ['owner', 'consultant'],
  manage: ['owner'],
} as const satisfies Record<string, readonly Role[]>;

export type Deed = keyof typeof ALLOWED;

export const may = (role: Role, deed: Deed): boolean => (ALLOWED[deed] as readonly Role[]).includes(role);
