import type { ReactNode } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { catalogue } from '#core/catalogue/catalogue'
import { createMemo, type PlanContext } from '#core/model/plan-context'
import { usualState, type BenchScene } from '#core/practice/bench'
import { benches } from '#core/practice/benches'
import { defaultProtocol } from '#core/quantities/defaults'
import { guidePage } from '#core/techniques/guide-page'
import { techniques } from '#core/techniques/registry'
import { LaneStrip } from '../lane/kit/lane-frame'
import { LanePicture } from '../lane/lane-picture'
import { CurvesOnCard } from './curves-on-card'
import { SketchFigure } from './sketch-figure'
import { WetOnCard } from './wet-on-card'

/** Pictures of cards as SVG, by the id of what the card leads to. */
export interface CardPictures {
  readonly techniques: Readonly<Record<string, string>>
  readonly benches: Readonly<Record<string, string>>
}

/** As wide as a card's column for it. */
const widthPx = 112
const strip = { heightPx: 64, widthPx, hasSide: false }

/**
 * Draws the picture of every technique and bench once, when the program is built, so that a card never waits for its picture: an ordinary adult
 * by the shipped figures. Colours stay the page's own.
 */
export function drawCards(): CardPictures {
  const ctx: PlanContext = {
    catalogue,
    protocol: defaultProtocol,
    seed: 1,
    now: '2026-01-01T00:00:00.000Z',
    zone: 'UTC',
    memo: createMemo(),
  }
  return {
    techniques: Object.fromEntries(
      techniques.map((technique) => [
        technique.id,
        draw(`technique-${technique.id}`, <LanePicture widthPx={widthPx} geometry={guidePage(technique, ctx).plan.geometry} />),
      ]),
    ),
    benches: Object.fromEntries(
      benches.map((bench) => [bench.id, draw(`bench-${bench.id}`, pictureOf(bench.work(usualState(bench), ctx).scenes))]),
    ),
  }
}

/** What a bench turns: its limb or sketch, else its curves, else what is done while it is wet. */
function pictureOf(scenes: readonly BenchScene[]): ReactNode {
  const body = scenes.find((scene) => scene.kind === 'limb' || scene.kind === 'pull')
  if (body) return <LanePicture widthPx={widthPx} geometry={body.geometry} />
  const sketch = scenes.find((scene) => scene.kind === 'sketch')
  const curves = scenes.find((scene) => scene.kind === 'curves')
  if (sketch)
    return (
      <LaneStrip value={strip}>
        <SketchFigure scene={sketch} before={null} units="metric" />
      </LaneStrip>
    )
  const wet = scenes.find((scene) => scene.kind === 'wet')
  return curves ? <CurvesOnCard scene={curves} /> : wet ? <WetOnCard input={wet.input} people={wet.people} /> : null
}

function draw(id: string, picture: ReactNode): string {
  const svg = renderToStaticMarkup(picture, { identifierPrefix: id })
  if (!svg.includes('</svg>')) throw new Error(`The card of ${id} has no picture`)
  return svg
}
