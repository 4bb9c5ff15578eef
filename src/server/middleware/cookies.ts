import type { CookieOptions, Request, Response } from 'express'

/** The session of a browser; what a device that is paired for emergency entry proves itself with; who signed in well on a device before. */
export type CookieName = 'wren_session' | 'wren_device' | 'wren_known'

/**
 * Cookies that scripts cannot read and other sites do not send. Whenever the answer goes out over https they travel by https alone, under a
 * name that no neighbouring host can set (`__Host-`).
 * @param isSecure whether the site is served over https, whatever the request says of itself
 */
export function createCookies(isSecure: boolean) {
  const isOverHttps = (request: Request): boolean => isSecure || request.secure
  const nameFor = (request: Request, name: CookieName): string => (isOverHttps(request) ? `__Host-${name}` : name)
  const options = (request: Request): CookieOptions => ({ httpOnly: true, sameSite: 'strict', secure: isOverHttps(request), path: '/' })
  return {
    read(request: Request, name: CookieName, longest: number): string | null {
      const value = (request.cookies as Record<string, unknown>)[nameFor(request, name)]
      return typeof value === 'string' && value.length < longest ? value : null
    },
    /** @param maxAgeMs how long the browser keeps it; until it is closed where it is left out */
    set(request: Request, response: Response, name: CookieName, value: string, maxAgeMs?: number): void {
      response.cookie(nameFor(request, name), value, { ...options(request), ...(maxAgeMs === undefined ? {} : { maxAge: maxAgeMs }) })
    },
    clear(request: Request, response: Response, name: CookieName): void {
      response.clearCookie(nameFor(request, name), options(request))
    },
  }
}

export type Cookies = ReturnType<typeof createCookies>
