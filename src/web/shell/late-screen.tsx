import type { ComponentType } from 'react'
import { useLocation } from 'react-router'
import { CrashBoundary } from './crash-boundary'
import { latePart } from '../parts/late-part'

/**
 * A screen whose part of the application is fetched when it is opened. Until it is there the screen before it stays (the shell waits for it); one
 * that fails says so, and takes nothing else with it.
 */
export function lateScreen(fetchPart: () => Promise<ComponentType>): ComponentType {
  const Screen = latePart(fetchPart)
  return function LateScreen() {
    const { pathname } = useLocation()
    return (
      <CrashBoundary at={pathname}>
        <Screen />
      </CrashBoundary>
    )
  }
}
