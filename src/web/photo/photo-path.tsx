import { useState } from 'react'
import { formatLength } from '#core/planner/format-decision'
import type { Protocol } from '#core/quantities/defaults'
import { checkScaleBar, measurePhotoPath, smoothLine, type PhotoPoint } from '#core/quantities/photo-measure'
import { readingError } from '#core/quantities/reading-error'
import { Button } from '../parts/button'
import { ChoiceRow } from '../parts/choice-row'
import { Notice } from '../parts/notice'
import { TextField } from '../parts/text-field'
import { useSettings } from '../sync/session-store'
import { addPoint, mostPoints, startBar, startPath } from './path-points'
import { PhotoDialog } from './photo-dialog'
import { PhotoPoints } from './photo-points'
import type { LoadedPhoto } from './load-photo'

const usualBarCm = '10'
const planesCm = [0, 2, 5, 10, 20]

/** A length along a limb from a photo: a bar of known length, and as many points along the limb as its bends need. */
export function PhotoPath({
  label,
  protocol,
  onClose,
  onTake,
}: {
  label: string
  protocol: Protocol
  onClose: () => void
  onTake: (cm: number, planeCm: number) => void
}) {
  return (
    <PhotoDialog
      title={`From a photo: ${label}`}
      hint="Lay the bar beside the limb, at its height, both square to the camera."
      onClose={onClose}
    >
      {(photo) => <PathOnPhoto key={photo.url} photo={photo} protocol={protocol} onTake={onTake} />}
    </PhotoDialog>
  )
}

function PathOnPhoto({
  photo,
  protocol,
  onTake,
}: {
  photo: LoadedPhoto
  protocol: Protocol
  onTake: (cm: number, planeCm: number) => void
}) {
  const { units } = useSettings()
  const [barText, setBarText] = useState(usualBarCm)
  const [planeCm, setPlaneCm] = useState<number | null>(null)
  const [bar, setBar] = useState(() => startBar(photo))
  const [path, setPath] = useState(() => startPath(photo))
  const barCm = Number(barText.replace(',', '.'))
  const fault = checkScaleBar(bar[0], bar[1], barCm)
  const cm = measurePhotoPath(bar[0], bar[1], barCm, path)
  const move = (index: number, point: PhotoPoint): void => {
    if (index === 0) setBar([point, bar[1]])
    else if (index === 1) setBar([bar[0], point])
    else setPath(path.map((one, at) => (at === index - 2 ? point : one)))
  }
  const doubtCm = cm === null ? null : readingError({ value: cm, tool: 'photo', planeCm: planeCm ?? 0 }, 'length', cm, protocol)
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        <TextField
          label="Scale bar, cm"
          inputMode="decimal"
          value={barText}
          onChange={(event) => setBarText(event.target.value)}
          className="w-32"
        />
        <ChoiceRow
          label="Bar before or behind the limb"
          value={planeCm === null ? null : String(planeCm)}
          choices={planesCm.map((cm) => ({ value: String(cm), label: cm === 0 ? 'level with it' : formatLength(cm, units) }))}
          onChange={(value) => setPlaneCm(Number(value))}
        />
        <Button disabled={path.length >= mostPoints} onClick={() => setPath(addPoint(path))}>
          Add a point
        </Button>
        <Button look="quiet" disabled={path.length <= 2} onClick={() => setPath([...path.slice(0, -2), path.at(-1)!])}>
          One less
        </Button>
      </div>
      <PhotoPoints
        photo={photo}
        points={[
          { name: 'Bar, first end', at: bar[0] },
          { name: 'Bar, other end', at: bar[1] },
          ...path.map((at, index) => ({
            name: index === 0 ? 'Start' : index === path.length - 1 ? 'End' : `Point ${index}`,
            at,
          })),
        ]}
        lines={[bar, smoothLine(path)]}
        onMove={move}
      />
      {fault ? <Notice tone="caution" lead={fault} role="status" /> : null}
      {cm !== null && doubtCm !== null ? (
        <div className="sticky bottom-0 -mx-2 flex flex-wrap items-center gap-4 rounded-t-2xl bg-paper px-2 py-3">
          <p>
            <span className="numeral text-3xl">{formatLength(cm, units)}</span>
            <span className="ml-2 text-soft">± {formatLength(doubtCm, units)} from the photo</span>
          </p>
          <Button
            look="next"
            refuses={planeCm === null ? 'Say first how far the bar lies before or behind the limb.' : null}
            onClick={() => onTake(cm, planeCm ?? 0)}
          >
            Take this reading
          </Button>
          {planeCm === null ? <p className="text-soft">Say first how far the bar lies before or behind the limb.</p> : null}
        </div>
      ) : null}
    </>
  )
}
