import { useCallback, useEffect, useState } from 'react'
import { Camera } from 'lucide-react'
import type { PhotoInfo } from '#contract/api/photo'
import { paths } from '#contract/api/paths'
import { callApi, describeNoAnswer, sendBytes } from '../../sync/api'
import { Dialog } from '../../parts/dialog'
import { Notice } from '../../parts/notice'
import { formatClock } from '../../parts/format-time'
import { shrinkPhoto } from './shrink-photo'

/** Photos of this case: made smaller and stripped of place and device here, stored by the server, seen by signed-in staff. */
export function PhotoStrip({ caseId }: { caseId: string }) {
  const [photos, setPhotos] = useState<readonly PhotoInfo[]>([])
  const [shown, setShown] = useState<PhotoInfo | null>(null)
  const [error, setError] = useState<string | null>(null)
  const [isBusy, setBusy] = useState(false)
  const load = useCallback(async () => {
    const result = await callApi<{ photos: readonly PhotoInfo[] }>('GET', paths.photos(caseId))
    if (result.kind === 'ok') setPhotos(result.value.photos)
  }, [caseId])
  useEffect(() => void load(), [load])
  const add = async (file: File): Promise<void> => {
    setBusy(true)
    setError(null)
    const shrunk = await shrinkPhoto(file)
    const result = typeof shrunk === 'string' ? null : await sendBytes<PhotoInfo>(paths.photos(caseId), shrunk, 'image/jpeg')
    if (typeof shrunk === 'string') setError(shrunk)
    else if (result?.kind === 'refused') setError(result.problem.detail)
    else if (result?.kind === 'offline' || result?.kind === 'trouble')
      setError(`${describeNoAnswer(result)}: the photo was not kept. Add it again when the server answers.`)
    else await load()
    setBusy(false)
  }
  return (
    <section aria-labelledby="photos" className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <h2 id="photos" className="text-sm font-semibold text-soft">
        Photos
      </h2>
      <div className="flex flex-wrap gap-2">
        {photos.map((photo) => (
          <button
            key={photo.id}
            type="button"
            onClick={() => setShown(photo)}
            aria-label={`Photo of ${formatClock(photo.at)} by ${photo.by}`}
            className="size-16 overflow-hidden rounded-xl border border-line"
          >
            <img src={paths.photo(photo.id)} alt="" className="size-full object-cover" />
          </button>
        ))}
        <label className="grid size-13 place-items-center rounded-xl border-[1.5px] border-dashed border-soft focus-within:outline-3 focus-within:outline-citrus-deep">
          <Camera size={24} aria-hidden />
          <span className="sr-only">{isBusy ? 'Keeping the photo…' : 'Add a photo'}</span>
          <input
            type="file"
            accept="image/*"
            capture="environment"
            disabled={isBusy}
            className="sr-only"
            onChange={(event) => {
              const file = event.target.files?.[0]
              event.target.value = ''
              if (file) void add(file)
            }}
          />
        </label>
      </div>
      {error ? <Notice tone="caution" lead={error} role="alert" /> : null}
      {shown ? (
        <Dialog title={`${formatClock(shown.at)}, ${shown.by}`} isWide isOpen onClose={() => setShown(null)}>
          <img src={paths.photo(shown.id)} alt="Photo of this case" className="mx-auto max-h-[70dvh] rounded-xl" />
        </Dialog>
      ) : null}
    </section>
  )
}
