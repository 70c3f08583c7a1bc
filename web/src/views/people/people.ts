import type { Schemas } from '../../lib/api';

export type Role = Schemas['MemberOfPlan']['role'];

/** The roles in a plan, each with what it adds. */
export const ROLES: { value: Role; name: string }[] = [
  { value: 'ONLOOKER', name: 'onlooker: looks, pay in sums' },
  { value: 'VIEWER', name: 'viewer: looks at all' },
  { value: 'COMMENTER', name: 'commenter: writes notes' },
  { value: 'EDITOR', name: 'editor: changes' },
  { value: 'OWNER', name: 'owner: says who may' },
];

/** The address that an invitation or a link is opened by; its word stands where no server and no log sees it. */
export function addressOf(page: 'come' | 'look', word: string): string {
  return `${location.origin}/#/${page}/${word}`;
}
