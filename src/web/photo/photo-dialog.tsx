import { useEffect, useState, type ReactNode } from 'react'
import { Button } from '../parts/button'
import { Dialog } from '../parts/dialog'
import { Notice } from '../parts/notice'
import { drawDemoPhoto } from './demo-photo'
import { loadPhoto, type LoadedPhoto } from './load-photo'

/** Measuring on a photo: loading one, and what is read on it. `hint` says how to take it. */
export function PhotoDialog({
  title,
  hint,
  onClose,
  children,
}: {
  title: string
  hint: string
  onClose: () => void
  children: (photo: LoadedPhoto) => ReactNode
}) {
  const [photo, setPhoto] = useState<LoadedPhoto | null>(null)
  const [error, setError] = useState<string | null>(null)
  useEffect(() => () => (photo ? URL.revokeObjectURL(photo.url) : undefined), [photo])
  const load = (blob: Blob, name: string): Promise<void> =>
    loadPhoto(blob, name).then(
      (loaded) => {
        setError(null)
        setPhoto(loaded)
      },
      (cause: Error) => setError(cause.message),
    )
  return (
    <Dialog title={title} isWide isOpen onClose={onClose}>
      <div className="grid gap-4">
        <div className="flex flex-wrap items-end gap-3">
          <label className="inline-flex min-h-12 items-center rounded-2xl border-[1.5px] border-ink px-4 font-semibold focus-within:outline-3 focus-within:outline-citrus-deep">
            {photo ? 'Another photo' : 'Load a photo'}
            <input
              type="file"
              accept="image/*"
              className="sr-only"
              onChange={(event) => {
                const file = event.target.files?.[0]
                event.target.value = ''
                if (file) void load(file, file.name)
              }}
            />
          </label>
          <Button look="quiet" onClick={() => void drawDemoPhoto().then((blob) => load(blob, 'demo drawing'))}>
            Use the demo drawing
          </Button>
        </div>
        {error ? <Notice tone="caution" lead={error} role="alert" /> : null}
        {photo ? children(photo) : <p className="text-soft">{hint}</p>}
      </div>
    </Dialog>
  )
}
