import { createElement } from 'react'
import { flushSync } from 'react-dom'
import { createRoot } from 'react-dom/client'
import { Lane } from '../../../../src/web/lane/lane'
import type { LaneProps } from '../../../../src/web/lane/lane-props'
import '../../../../src/web/theme.css'
import { faultsOfLabels } from './label-faults'

/** What the test asks for: lanes with what a stage lays over them, each in a box of its own width. */
export interface LaneWish extends LaneProps {
  readonly name: string
  readonly widthPx: number
}

const host = document.getElementById('root') ?? document.body
const root = createRoot(host)
let turn = 0

/** Draws each lane anew and says what is wrong with its labels. */
function showLanes(wishes: readonly LaneWish[]): { readonly faults: readonly string[]; readonly labels: number } {
  const faults: string[] = []
  let labels = 0
  for (const { name, widthPx, ...lane } of wishes) {
    host.style.width = `${widthPx}px`
    flushSync(() => root.render(createElement(Lane, { key: turn++, ...lane })))
    const found = faultsOfLabels(host)
    labels += found.labels
    faults.push(...found.faults.map((fault) => `${name}, ${widthPx} px: ${fault}`))
  }
  return { faults, labels }
}

Object.assign(window, { showLanes })
