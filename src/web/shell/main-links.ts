import { hasRight, isPairedDevice, type Role } from '#contract/rights'

export interface MainLink {
  readonly to: string
  readonly label: string
}

/** Where somebody with these roles may go: the rooms of daily work by name in the top row, the others in its menu. */
export function mainLinks(roles: readonly Role[]): { readonly rooms: readonly MainLink[]; readonly more: readonly MainLink[] } {
  const mayRead = hasRight(roles, 'read')
  const mayManage = hasRight(roles, 'manage-people')
  const known = (isShown: boolean, to: string, label: string): readonly MainLink[] => (isShown ? [{ to, label }] : [])
  return {
    rooms: [
      ...known(mayRead || isPairedDevice(roles), '/', 'Board'),
      ...known(mayRead, '/round', 'My round'),
      ...known(mayRead, '/hand-over', 'Hand-over'),
      ...known(mayRead, '/store', 'Store'),
      ...known(mayManage && !mayRead, '/people', 'People'),
      ...known(true, '/guide', 'Guide'),
      ...known(mayRead, '/practice', 'Practice'),
    ],
    more: [
      ...known(mayRead || mayManage, '/ward', 'Ward settings'),
      ...known(mayRead, '/history', 'History'),
      ...known(mayManage && mayRead, '/people', 'People'),
      ...known(mayManage, '/audit', 'Who read what'),
      ...known(true, '/settings', 'Settings'),
    ],
  }
}

/** Whether a page lies in a room: Board is `/` alone. */
export function isIn(pathname: string, to: string): boolean {
  return to === '/' ? pathname === '/' : pathname === to || pathname.startsWith(`${to}/`)
}
