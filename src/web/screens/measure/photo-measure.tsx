import { useEffect, useState } from 'react'
import { checkScaleBar, measurePhotoAngle, measurePhotoLength, type PhotoPoint } from '#core/quantities/photo-measure'
import { formatLength } from '#core/planner/format-decision'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Dialog } from '../../parts/dialog'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { useSettings } from '../../sync/session-store'
import { drawDemoPhoto } from './demo-photo'
import { PhotoPoints, type NamedPoint } from './photo-points'

const usualBarCm = '10'
const mostBytes = 30 * 1024 * 1024

interface LoadedPhoto {
  readonly url: string
  readonly width: number
  readonly height: number
}

/** Measuring on a photo: a scale bar of known length, then two points for a length or three for an angle. */
export function PhotoMeasure({ label, onClose, onTake }: { label: string; onClose: () => void; onTake: (cm: number) => void }) {
  const { units } = useSettings()
  const [photo, setPhoto] = useState<LoadedPhoto | null>(null)
  const [error, setError] = useState<string | null>(null)
  const [kind, setKind] = useState<'length' | 'angle'>('length')
  const [barText, setBarText] = useState(usualBarCm)
  const [points, setPoints] = useState<readonly PhotoPoint[]>([])
  useEffect(() => () => (photo ? URL.revokeObjectURL(photo.url) : undefined), [photo])
  const load = async (blob: Blob, name: string): Promise<void> => {
    if (blob.size > mostBytes) return setError(`The photo has ${Math.round(blob.size / 1_048_576)} MB; 30 is the most: take a smaller one.`)
    try {
      const bitmap = await createImageBitmap(blob, { imageOrientation: 'from-image' })
      const { width, height } = bitmap
      const canvas = document.createElement('canvas')
      canvas.width = width
      canvas.height = height
      canvas.getContext('2d')?.drawImage(bitmap, 0, 0)
      bitmap.close()
      const upright = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', 0.92))
      if (!upright) throw new Error('not drawn')
      setError(null)
      setPhoto({ url: URL.createObjectURL(upright), width, height })
      setPoints(startPoints(width, height))
    } catch {
      setError(`${name || 'This file'} is not a picture that can be read: take a JPEG or PNG.`)
    }
  }
  const barCm = Number(barText.replace(',', '.'))
  const named = namePoints(points, kind)
  const [barFrom, barTo, a, b, c] = points
  const barFault = photo && kind === 'length' && barFrom && barTo ? checkScaleBar(barFrom, barTo, barCm) : null
  const length = kind === 'length' && barFrom && barTo && a && b ? measurePhotoLength(barFrom, barTo, barCm, a, b) : null
  const angle = kind === 'angle' && a && b && c ? measurePhotoAngle(a, b, c) : null
  return (
    <Dialog title={`From a photo: ${label}`} isWide isOpen onClose={onClose}>
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
          <ChoiceRow
            label="Read"
            value={kind}
            choices={[
              { value: 'length', label: 'a length' },
              { value: 'angle', label: 'an angle' },
            ]}
            onChange={setKind}
          />
          {kind === 'length' ? (
            <TextField
              label="Scale bar, cm"
              inputMode="decimal"
              value={barText}
              onChange={(event) => setBarText(event.target.value)}
              className="w-32"
            />
          ) : null}
        </div>
        {error ? <Notice tone="caution" lead={error} role="alert" /> : null}
        {photo ? (
          <>
            <PhotoPoints
              photo={photo}
              points={named}
              onMove={(index, point) => setPoints(points.map((one, at) => (at === index ? point : one)))}
            />
            {barFault ? <Notice tone="caution" lead={barFault} role="status" /> : null}
            <div className="flex flex-wrap items-center gap-4">
              {length ? (
                <>
                  <p>
                    <span className="numeral text-3xl">{formatLength(length.cm, units)}</span>
                    <span className="ml-2 text-soft">± {formatLength(length.errorCm, units)} from the photo</span>
                  </p>
                  <Button look="next" onClick={() => onTake(length.cm)}>
                    Take this reading
                  </Button>
                </>
              ) : null}
              {angle !== null ? (
                <p>
                  <span className="numeral text-3xl">{angle.toFixed(0)}°</span>
                  <span className="ml-2 text-soft">± 2° from the photo</span>
                </p>
              ) : null}
            </div>
          </>
        ) : (
          <p className="text-soft">The bar has to lie in the plane of what is measured, square to the camera.</p>
        )}
      </div>
    </Dialog>
  )
}

function startPoints(width: number, height: number): readonly PhotoPoint[] {
  return [
    [width * 0.1, height * 0.9],
    [width * 0.35, height * 0.9],
    [width * 0.3, height * 0.5],
    [width * 0.7, height * 0.5],
    [width * 0.7, height * 0.3],
  ]
}

function namePoints(points: readonly PhotoPoint[], kind: 'length' | 'angle'): readonly NamedPoint[] {
  const names = [
    'Bar, first end',
    'Bar, other end',
    kind === 'length' ? 'From' : 'First arm',
    kind === 'length' ? 'To' : 'Corner',
    'Second arm',
  ]
  const links = kind === 'length' ? [1, null, 3, null] : [null, null, 3, 4, null]
  return points.flatMap((at, index): NamedPoint[] => {
    const isUsed = kind === 'length' ? index < 4 : index >= 2
    return isUsed ? [{ index, name: names[index] ?? '', at, linkTo: links[index] ?? null }] : []
  })
}
