import { Bell, BellOff } from 'lucide-react'
import { useTimers } from './timer-store'

/** Whether clocks are heard on this device; it stands wherever they are seen. */
export function SoundSwitch() {
  const isMuted = useTimers((store) => store.isMuted)
  return (
    <button
      type="button"
      aria-pressed={isMuted}
      onClick={() => useTimers.setState({ isMuted: !isMuted })}
      className="reach grid min-h-[39px] w-11 shrink-0 place-items-center self-stretch rounded-xl"
    >
      {isMuted ? <BellOff size={19} aria-hidden /> : <Bell size={19} aria-hidden />}
      <span className="sr-only">{isMuted ? 'Sound is off: turn it on' : 'Sound is on: turn it off'}</span>
    </button>
  )
}
