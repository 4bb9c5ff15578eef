import { doLateWork } from './sync/late-work'

/** Every part of the application that is fetched after the first screen, so that the first screen comes soon. */
export const lateParts = {
  beforeWork: () => import('./shell/before-work'),
  lockScreen: () => import('./shell/lock-screen'),
  lockMenu: () => import('./shell/lock-menu'),
  mainMenu: () => import('./shell/main-menu'),
  unlockForm: () => import('./shell/unlock-form'),
  troubleSheet: () => import('./case/standing/trouble-sheet'),
  caseFrame: () => import('./case/frame/case-frame'),
  caseStage: () => import('./case/frame/case-stage'),
  apply: () => import('./screens/apply/apply-screen'),
  check: () => import('./screens/check/check-screen'),
  watch: () => import('./screens/watch/watch-screen'),
  lockedStep: () => import('./shell/locked-step'),
  board: () => import('./screens/board/board-screen'),
  sizeUp: () => import('./screens/size-up/size-up-screen'),
  measure: () => import('./screens/measure/measure-screen'),
  choose: () => import('./screens/choose/choose-screen'),
  makeReady: () => import('./screens/make-ready/make-ready-screen'),
  card: () => import('./screens/card/card-screen'),
  record: () => import('./screens/record/record-screen'),
  newCase: () => import('./screens/new-case/new-case'),
  helpSheet: () => import('./shell/help-sheet'),
  refusedSheet: () => import('./shell/refused-sheet'),
  careTrend: () => import('./screens/watch/care-trend'),
  trendChart: () => import('./screens/watch/trend-chart'),
  lineChart: () => import('./parts/line-chart'),
  handOver: () => import('./screens/hand-over/hand-over-screen'),
  myRound: () => import('./screens/my-round/my-round-screen'),
  recall: () => import('./screens/store/recall-screen'),
  protocol: () => import('./screens/protocol/protocol-screen'),
  ward: () => import('./screens/ward/ward-screen'),
  history: () => import('./screens/history/history-screen'),
  store: () => import('./screens/store/store-screen'),
  countRound: () => import('./screens/store/count-round'),
  guide: () => import('./screens/guide/guide-screen'),
  guidePage: () => import('./screens/guide/guide-page-screen'),
  practice: () => import('./screens/practice/practice-screen'),
  bench: () => import('./screens/practice/bench/bench-screen'),
  station: () => import('./screens/practice/stations/station-screen'),
  run: () => import('./screens/practice/stations/run-screen'),
  progress: () => import('./screens/practice/progress-screen'),
  groups: () => import('./screens/practice/groups-screen'),
  makeStation: () => import('./screens/practice/stations/make-station-screen'),
  drill: () => import('./screens/practice/drill/drill-screen'),
  practiceDrills: () => import('./sync/practice-drills'),
  practiceRuns: () => import('./sync/practice-runs'),
  settings: () => import('./screens/settings/settings-screen'),
  audit: () => import('./screens/audit/audit-screen'),
  countersign: () => import('./screens/countersign/countersign-screen'),
  held: () => import('./screens/countersign/held-screen'),
  people: () => import('./screens/people/people-screen'),
}

const firstMs = 1_500

/**
 * Fetches the late parts one after another, what the bedside needs first, so that no screen is missing once the
 * connection is gone. What could not be fetched is tried again when the connection is back.
 * @returns a function that stops fetching
 */
export function fetchLateParts(): () => void {
  let isOver = false
  let isFetching = false
  const fetchAll = async (): Promise<void> => {
    if (isFetching) return
    isFetching = true
    for (const fetchPart of Object.values(lateParts)) {
      await whenIdle()
      if (isOver) break
      await doLateWork(fetchPart)
    }
    isFetching = false
  }
  const again = (): void => void fetchAll()
  const timer = setTimeout(again, firstMs)
  window.addEventListener('online', again)
  return () => {
    isOver = true
    clearTimeout(timer)
    window.removeEventListener('online', again)
  }
}

/** Waits until the page has nothing better to do, a few seconds at most. */
function whenIdle(): Promise<void> {
  return new Promise((resolve) => {
    if ('requestIdleCallback' in window) requestIdleCallback(() => resolve(), { timeout: 3_000 })
    else setTimeout(resolve, 200)
  })
}
