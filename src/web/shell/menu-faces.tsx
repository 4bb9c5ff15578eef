import { Lock, Menu } from 'lucide-react'

/** The faces of the two menus in the top row: they are there before the menus are. */
export const faceLook = 'grid min-h-[44px] min-w-11 place-items-center rounded-xl'

export function MenuFace() {
  return (
    <>
      <Menu size={22} aria-hidden />
      <span className="sr-only">Menu</span>
    </>
  )
}

export function LockFace() {
  return (
    <>
      <Lock size={19} aria-hidden />
      <span className="sr-only">Lock</span>
    </>
  )
}
