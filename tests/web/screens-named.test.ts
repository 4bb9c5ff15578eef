import { expect } from 'chai'
import { readFileSync } from 'node:fs'
import { mainLinks } from '../../src/web/shell/main-links'
import { roles } from '#contract/rights'

const root = new URL('../../', import.meta.url)
const read = (path: string): string => readFileSync(new URL(path, root), 'utf8')
const app = read('src/web/app.tsx')
const everyScreen = read('tests/browser/every-screen.test.ts')
const routes = [...app.matchAll(/<Route (?:index|path="([^"]+)") element=\{<(\w+) \/>\}/g)]
  .map((match) => ({ path: match[1] ?? '', screen: match[2]! }))
  .filter(({ path }) => path !== '*')

/** Screens that every-screen does not open, since they want a right of their own or a place; these tests do. */
const lookedAtElsewhere: Readonly<Record<string, string>> = {
  audit: 'tests/browser/people.test.ts',
  people: 'tests/browser/people.test.ts',
  held: 'tests/browser/held.test.ts',
  'case/:caseId': 'tests/browser/back-slab.test.ts',
  new: 'tests/browser/back-slab.test.ts',
  'store/:placeId': 'tests/browser/first-half.test.ts',
  'store/:placeId/count': 'tests/browser/first-half.test.ts',
  'practice/groups': 'tests/browser/make-station.test.ts',
  'practice/make/:station': 'tests/browser/make-station.test.ts',
}

describe('a screen', () => {
  it('has a part that is fetched late, and a route by its name', () => {
    const parts = [...read('src/web/late-parts.ts').matchAll(/^ {2}(\w+): \(\) => import\('\.\/screens\/[\w-]+\/([\w-]+)'\)/gm)]
    const screens = parts.filter((part) => part[2]!.endsWith('-screen')).map((part) => part[1]!)
    expect(screens.length).to.be.greaterThan(25)
    for (const name of screens) expect(app, `a route of ${name}`).to.include(`lateParts.${name}()`)
    for (const { screen } of routes)
      expect(app, screen).to.match(
        new RegExp(`const ${screen} = lateScreen\\(async \\(\\) => \\(await lateParts\\.\\w+\\(\\)\\)\\.${screen}\\)`),
      )
  })

  it('is led to only where it has a route', () => {
    const links = roles.flatMap((role) => {
      const { rooms, more } = mainLinks([role])
      return [...rooms, ...more].map(({ to }) => to)
    })
    expect(links.length).to.be.greaterThan(8)
    for (const to of links)
      expect(
        routes.map(({ path }) => `/${path}`),
        to,
      ).to.include(to.split('?')[0])
  })

  it('is looked at for width, words and readers, or says where it is', () => {
    for (const { path } of routes) {
      const elsewhere = lookedAtElsewhere[path]
      if (elsewhere) expect(read(elsewhere), `${path} in ${elsewhere}`).to.match(/browser\.|\.open\(/)
      else if (path !== '') expect(everyScreen, path).to.include(`'${path.replace(/\/:\w+$/, '')}`.replace("'practice/run", "'sitting"))
    }
  })
})
