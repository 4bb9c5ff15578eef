import { QueryClientProvider } from '@tanstack/react-query'
import { useEffect } from 'react'
import { createBrowserRouter, RouterProvider, type RouterNavigateOptions, type To } from 'react-router'
import { Shell } from './shell/shell'
import { CrashScreen } from './shell/crash-screen'
import { useTheme } from './shell/use-theme'
import { fetchLateParts, lateParts } from './late-parts'
import { answers } from './sync/answers'
import { useSession } from './sync/session-store'

const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell whenSignedIn={whenSignedIn} />,
    HydrateFallback: () => null,
    errorElement: <CrashScreen />,
    children: [
      { index: true, lazy: async () => ({ Component: (await lateParts.board()).BoardScreen }) },
      { path: 'settings', lazy: async () => ({ Component: (await lateParts.settings()).SettingsScreen }) },
      { path: 'audit', lazy: async () => ({ Component: (await lateParts.audit()).AuditScreen }) },
      { path: 'countersign', lazy: async () => ({ Component: (await lateParts.countersign()).CountersignScreen }) },
      { path: 'held', lazy: async () => ({ Component: (await lateParts.held()).HeldScreen }) },
      { path: 'people', lazy: async () => ({ Component: (await lateParts.people()).PeopleScreen }) },
      { path: 'hand-over', lazy: async () => ({ Component: (await lateParts.handOver()).HandOverScreen }) },
      { path: 'round', lazy: async () => ({ Component: (await lateParts.myRound()).MyRoundScreen }) },
      { path: 'recall', lazy: async () => ({ Component: (await lateParts.recall()).RecallScreen }) },
      { path: 'protocol', lazy: async () => ({ Component: (await lateParts.protocol()).ProtocolScreen }) },
      { path: 'ward', lazy: async () => ({ Component: (await lateParts.ward()).WardScreen }) },
      { path: 'history', lazy: async () => ({ Component: (await lateParts.history()).HistoryScreen }) },
      { path: 'store', lazy: async () => ({ Component: (await lateParts.store()).StoreScreen }) },
      { path: 'store/:placeId', lazy: async () => ({ Component: (await lateParts.store()).StoreScreen }) },
      { path: 'store/:placeId/count', lazy: async () => ({ Component: (await lateParts.countRound()).CountRound }) },
      { path: 'guide', lazy: async () => ({ Component: (await lateParts.guide()).GuideScreen }) },
      { path: 'guide/:technique', lazy: async () => ({ Component: (await lateParts.guidePage()).GuidePageScreen }) },
      { path: 'practice', lazy: async () => ({ Component: (await lateParts.practice()).PracticeScreen }) },
      { path: 'practice/bench/:bench', lazy: async () => ({ Component: (await lateParts.bench()).BenchScreen }) },
      { path: 'practice/run/:run', lazy: async () => ({ Component: (await lateParts.run()).RunScreen }) },
      { path: 'practice/drill/:night', lazy: async () => ({ Component: (await lateParts.drill()).DrillScreen }) },
      { path: 'practice/progress', lazy: async () => ({ Component: (await lateParts.progress()).ProgressScreen }) },
      { path: 'practice/groups', lazy: async () => ({ Component: (await lateParts.groups()).GroupsScreen }) },
      { path: 'practice/make', lazy: async () => ({ Component: (await lateParts.makeStation()).MakeStationScreen }) },
      { path: 'practice/make/:station', lazy: async () => ({ Component: (await lateParts.makeStation()).MakeStationScreen }) },
      { path: 'practice/station/:station', lazy: async () => ({ Component: (await lateParts.station()).StationScreen }) },
      { path: 'new', lazy: async () => ({ Component: (await lateParts.newCase()).NewCase }) },
      {
        path: 'case/:caseId',
        lazy: async () => ({ Component: (await lateParts.caseFrame()).CaseFrame }),
        children: [
          { index: true, lazy: async () => ({ Component: (await lateParts.caseStage()).CaseStage }) },
          { path: 'size-up', lazy: async () => ({ Component: (await lateParts.sizeUp()).SizeUpScreen }) },
          { path: 'measure', lazy: async () => ({ Component: (await lateParts.measure()).MeasureScreen }) },
          { path: 'choose', lazy: async () => ({ Component: (await lateParts.choose()).ChooseScreen }) },
          {
            path: 'make-ready',
            lazy: async () => ({ Component: (await lateParts.makeReady()).MakeReadyScreen }),
          },
          { path: 'apply', lazy: async () => ({ Component: (await lateParts.apply()).ApplyScreen }) },
          { path: 'check', lazy: async () => ({ Component: (await lateParts.check()).CheckScreen }) },
          { path: 'record', lazy: async () => ({ Component: (await lateParts.record()).RecordScreen }) },
          { path: 'watch', lazy: async () => ({ Component: (await lateParts.watch()).WatchScreen }) },
        ],
      },
    ],
  },
])

/** On a device that is paired for emergency entry, which many hold, no page of a patient stays behind another one in the browser. */
const go = router.navigate.bind(router)
router.navigate = ((to: To | null | number, options?: RouterNavigateOptions) => {
  if (typeof to === 'number') return go(to)
  return go(to, useSession.getState().pairedAs === null ? options : { ...options, replace: true })
}) as typeof router.navigate

/** For whoever signed in: the rest of the application is fetched, and what they marked in practice without a line goes. */
function whenSignedIn(): () => void {
  const stopFetching = fetchLateParts()
  let isOver = false
  void Promise.all([lateParts.practiceRuns(), lateParts.practiceDrills()])
    .then(([{ resumeRuns }, { resumeDrills }]) => (isOver ? null : Promise.all([resumeRuns(), resumeDrills()])))
    .catch(() => null)
  return () => {
    isOver = true
    stopFetching()
  }
}

/** The whole application: session first, then its screens. */
export function App() {
  const load = useSession((store) => store.load)
  useTheme()
  useEffect(() => void load(), [load])
  return (
    <QueryClientProvider client={answers}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  )
}
