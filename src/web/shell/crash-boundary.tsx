import { Component, type ReactNode } from 'react'
import { CrashScreen } from './crash-screen'

interface Bounded {
  /** Where it stands: what failed at one address is tried anew at another. */
  readonly at: string
  /** What is shown in its place; left out: that this screen stopped working. */
  readonly instead?: ReactNode
  readonly children: ReactNode
}

/** Shows what stands in for something that failed, until another address is opened. */
export class CrashBoundary extends Component<Bounded, { readonly hasFailed: boolean }> {
  override state = { hasFailed: false }

  static getDerivedStateFromError() {
    return { hasFailed: true }
  }

  override componentDidUpdate(before: Bounded) {
    if (before.at !== this.props.at && this.state.hasFailed) this.setState({ hasFailed: false })
  }

  override render() {
    const { instead = <CrashScreen />, children } = this.props
    return this.state.hasFailed ? instead : children
  }
}
