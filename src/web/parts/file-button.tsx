import { useRef } from 'react'
import { Button } from './button'

/** A button that asks for a file and hands over its text; the same file may be chosen again. */
export function FileButton({
  label,
  accept,
  children,
  onText,
}: {
  /** What the file is, for who cannot see the button. */
  label: string
  accept: string
  children: string
  onText: (text: string, name: string) => void
}) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button onClick={() => input.current?.click()}>{children}</Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        onChange={(event) => {
          const file = event.target.files?.[0]
          event.target.value = ''
          if (file) void file.text().then((text) => onText(text, file.name))
        }}
      />
    </>
  )
}
