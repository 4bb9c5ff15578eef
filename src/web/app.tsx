import { QueryClientProvider } from '@tanstack/react-query'
import { useEffect } from 'react'
import { BrowserRouter, Route, Routes } from 'react-router'
import { Shell } from './shell/shell'
import { CrashBoundary } from './shell/crash-boundary'
import { NothingHere } from './shell/crash-screen'
import { lateScreen } from './shell/late-screen'
import { keepOnePageBehind } from './shell/keep-one-page-behind'
import { useTheme } from './shell/use-theme'
import { fetchLateParts, lateParts } from './late-parts'
import { answers } from './sync/answers'
import { currentDurable, useSession } from './sync/session-store'

const BoardScreen = lateScreen(async () => (await lateParts.board()).BoardScreen)
const SettingsScreen = lateScreen(async () => (await lateParts.settings()).SettingsScreen)
const AuditScreen = lateScreen(async () => (await lateParts.audit()).AuditScreen)
const CountersignScreen = lateScreen(async () => (await lateParts.countersign()).CountersignScreen)
const HeldScreen = lateScreen(async () => (await lateParts.held()).HeldScreen)
const PeopleScreen = lateScreen(async () => (await lateParts.people()).PeopleScreen)
const HandOverScreen = lateScreen(async () => (await lateParts.handOver()).HandOverScreen)
const MyRoundScreen = lateScreen(async () => (await lateParts.myRound()).MyRoundScreen)
const RecallScreen = lateScreen(async () => (await lateParts.recall()).RecallScreen)
const ProtocolScreen = lateScreen(async () => (await lateParts.protocol()).ProtocolScreen)
const WardScreen = lateScreen(async () => (await lateParts.ward()).WardScreen)
const HistoryScreen = lateScreen(async () => (await lateParts.history()).HistoryScreen)
const StoreScreen = lateScreen(async () => (await lateParts.store()).StoreScreen)
const CountRound = lateScreen(async () => (await lateParts.countRound()).CountRound)
const GuideScreen = lateScreen(async () => (await lateParts.guide()).GuideScreen)
const GuidePageScreen = lateScreen(async () => (await lateParts.guidePage()).GuidePageScreen)
const PracticeScreen = lateScreen(async () => (await lateParts.practice()).PracticeScreen)
const BenchScreen = lateScreen(async () => (await lateParts.bench()).BenchScreen)
const RunScreen = lateScreen(async () => (await lateParts.run()).RunScreen)
const DrillScreen = lateScreen(async () => (await lateParts.drill()).DrillScreen)
const ProgressScreen = lateScreen(async () => (await lateParts.progress()).ProgressScreen)
const GroupsScreen = lateScreen(async () => (await lateParts.groups()).GroupsScreen)
const MakeStationScreen = lateScreen(async () => (await lateParts.makeStation()).MakeStationScreen)
const StationScreen = lateScreen(async () => (await lateParts.station()).StationScreen)
const NewCase = lateScreen(async () => (await lateParts.newCase()).NewCase)
const CaseFrame = lateScreen(async () => (await lateParts.caseFrame()).CaseFrame)
const CaseStage = lateScreen(async () => (await lateParts.caseStage()).CaseStage)
const SizeUpScreen = lateScreen(async () => (await lateParts.sizeUp()).SizeUpScreen)
const MeasureScreen = lateScreen(async () => (await lateParts.measure()).MeasureScreen)
const ChooseScreen = lateScreen(async () => (await lateParts.choose()).ChooseScreen)
const MakeReadyScreen = lateScreen(async () => (await lateParts.makeReady()).MakeReadyScreen)
const ApplyScreen = lateScreen(async () => (await lateParts.apply()).ApplyScreen)
const CheckScreen = lateScreen(async () => (await lateParts.check()).CheckScreen)
const CardScreen = lateScreen(async () => (await lateParts.card()).CardScreen)
const RecordScreen = lateScreen(async () => (await lateParts.record()).RecordScreen)
const WatchScreen = lateScreen(async () => (await lateParts.watch()).WatchScreen)

keepOnePageBehind(() => useSession.getState().pairedAs !== null)

/** For whoever signed in: the rest of the application is fetched, and what they marked in practice without a line goes. */
function whenSignedIn(): () => void {
  const stopFetching = fetchLateParts()
  let isOver = false
  const resume = async (): Promise<void> => {
    const durable = currentDurable()
    const [runs, nights] = [(await durable?.readPractised('run')) ?? [], (await durable?.readPractised('drill')) ?? []]
    // Most days nothing waits, and then nothing is fetched for it.
    if (runs.length > 0 && !isOver) await (await lateParts.practiceRuns()).resumeRuns()
    if (nights.length > 0 && !isOver) await (await lateParts.practiceDrills()).resumeDrills()
  }
  void resume().catch(() => null)
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
      <BrowserRouter>
        <Routes>
          <Route
            path="/"
            element={
              <CrashBoundary at="everywhere">
                <Shell whenSignedIn={whenSignedIn} />
              </CrashBoundary>
            }
          >
            <Route index element={<BoardScreen />} />
            <Route path="settings" element={<SettingsScreen />} />
            <Route path="audit" element={<AuditScreen />} />
            <Route path="countersign" element={<CountersignScreen />} />
            <Route path="held" element={<HeldScreen />} />
            <Route path="people" element={<PeopleScreen />} />
            <Route path="hand-over" element={<HandOverScreen />} />
            <Route path="round" element={<MyRoundScreen />} />
            <Route path="recall" element={<RecallScreen />} />
            <Route path="protocol" element={<ProtocolScreen />} />
            <Route path="ward" element={<WardScreen />} />
            <Route path="history" element={<HistoryScreen />} />
            <Route path="store" element={<StoreScreen />} />
            <Route path="store/:placeId" element={<StoreScreen />} />
            <Route path="store/:placeId/count" element={<CountRound />} />
            <Route path="guide" element={<GuideScreen />} />
            <Route path="guide/:technique" element={<GuidePageScreen />} />
            <Route path="practice" element={<PracticeScreen />} />
            <Route path="practice/bench/:bench" element={<BenchScreen />} />
            <Route path="practice/run/:run" element={<RunScreen />} />
            <Route path="practice/drill/:night" element={<DrillScreen />} />
            <Route path="practice/progress" element={<ProgressScreen />} />
            <Route path="practice/groups" element={<GroupsScreen />} />
            <Route path="practice/make" element={<MakeStationScreen />} />
            <Route path="practice/make/:station" element={<MakeStationScreen />} />
            <Route path="practice/station/:station" element={<StationScreen />} />
            <Route path="new" element={<NewCase />} />
            <Route path="case/:caseId" element={<CaseFrame />}>
              <Route index element={<CaseStage />} />
              <Route path="size-up" element={<SizeUpScreen />} />
              <Route path="measure" element={<MeasureScreen />} />
              <Route path="choose" element={<ChooseScreen />} />
              <Route path="make-ready" element={<MakeReadyScreen />} />
              <Route path="apply" element={<ApplyScreen />} />
              <Route path="check" element={<CheckScreen />} />
              <Route path="card" element={<CardScreen />} />
              <Route path="record" element={<RecordScreen />} />
              <Route path="watch" element={<WatchScreen />} />
            </Route>
          </Route>
          <Route path="*" element={<NothingHere />} />
        </Routes>
      </BrowserRouter>
    </QueryClientProvider>
  )
}
