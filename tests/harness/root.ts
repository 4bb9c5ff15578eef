/** Where the checkout lies: two folders above this file, and above the bundle that `npm run bench` makes of it. */
export const root = new URL('../../', import.meta.url)
