import { useEffect } from 'react'
import { createBrowserRouter, RouterProvider } from 'react-router'
import { Shell } from './screens/shell'
import { CrashScreen } from './screens/crash-screen'
import { useTheme } from './hooks/use-theme'
import { useSession } from './stores/session-store'

const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    HydrateFallback: () => null,
    errorElement: <CrashScreen />,
    children: [
      { index: true, lazy: async () => ({ Component: (await import('./screens/board/board-screen')).BoardScreen }) },
      { path: 'settings', lazy: async () => ({ Component: (await import('./screens/settings-screen')).SettingsScreen }) },
      { path: 'store', lazy: async () => ({ Component: (await import('./screens/store/store-screen')).StoreScreen }) },
      { path: 'store/:placeId', lazy: async () => ({ Component: (await import('./screens/store/store-screen')).StoreScreen }) },
      { path: 'store/:placeId/count', lazy: async () => ({ Component: (await import('./screens/store/count-round')).CountRound }) },
      { path: 'guide', lazy: async () => ({ Component: (await import('./screens/guide/guide-screen')).GuideScreen }) },
      { path: 'guide/:technique', lazy: async () => ({ Component: (await import('./screens/guide/guide-page-screen')).GuidePageScreen }) },
      { path: 'new', lazy: async () => ({ Component: (await import('./screens/new-case')).NewCase }) },
      {
        path: 'case/:caseId',
        lazy: async () => ({ Component: (await import('./screens/case-frame')).CaseFrame }),
        children: [
          { path: 'size-up', lazy: async () => ({ Component: (await import('./screens/size-up/size-up-screen')).SizeUpScreen }) },
          { path: 'measure', lazy: async () => ({ Component: (await import('./screens/measure/measure-screen')).MeasureScreen }) },
          { path: 'choose', lazy: async () => ({ Component: (await import('./screens/choose/choose-screen')).ChooseScreen }) },
          {
            path: 'make-ready',
            lazy: async () => ({ Component: (await import('./screens/make-ready/make-ready-screen')).MakeReadyScreen }),
          },
          { path: 'apply', lazy: async () => ({ Component: (await import('./screens/apply/apply-screen')).ApplyScreen }) },
          { path: 'check', lazy: async () => ({ Component: (await import('./screens/check/check-screen')).CheckScreen }) },
          { path: 'record', lazy: async () => ({ Component: (await import('./screens/record/record-screen')).RecordScreen }) },
          { path: 'watch', lazy: async () => ({ Component: (await import('./screens/watch/watch-screen')).WatchScreen }) },
        ],
      },
    ],
  },
])

/** The whole application: session first, then its screens. */
export function App() {
  const load = useSession((store) => store.load)
  useTheme()
  useEffect(() => void load(), [load])
  return <RouterProvider router={router} />
}
