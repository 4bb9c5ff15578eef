import { useState } from 'react'
import type { PhotoAngle } from '#core/model/step'
import type { Protocol } from '#core/quantities/defaults'
import { measurePhotoAngle, type PhotoPoint } from '#core/quantities/photo-measure'
import { readingError } from '#core/quantities/reading-error'
import { Button } from '../parts/button'
import type { LoadedPhoto } from './load-photo'
import { PhotoDialog } from './photo-dialog'
import { PhotoPoints } from './photo-points'

/** An angle that a step asks for, from three points of a photo taken from the side. */
export function PhotoAngleDialog({
  label,
  angle,
  protocol,
  onClose,
  onTake,
}: {
  label: string
  angle: PhotoAngle
  protocol: Protocol
  onClose: () => void
  onTake: (deg: number) => void
}) {
  return (
    <PhotoDialog
      title={`From a photo: ${label}`}
      hint="Take it from the side, square to the plane in which the joint bends."
      onClose={onClose}
    >
      {(photo) => <AngleOnPhoto key={photo.url} photo={photo} angle={angle} protocol={protocol} onTake={onTake} />}
    </PhotoDialog>
  )
}

function AngleOnPhoto({
  photo,
  angle,
  protocol,
  onTake,
}: {
  photo: LoadedPhoto
  angle: PhotoAngle
  protocol: Protocol
  onTake: (deg: number) => void
}) {
  const [points, setPoints] = useState<readonly [PhotoPoint, PhotoPoint, PhotoPoint]>([
    [photo.width * 0.7, photo.height * 0.4],
    [photo.width * 0.3, photo.height * 0.5],
    [photo.width * 0.3, photo.height * 0.2],
  ])
  const between = measurePhotoAngle(...points)
  const deg = between === null ? null : Math.round(angle.isBend ? 180 - between : between)
  return (
    <>
      <ol className="flex flex-wrap gap-x-6 gap-y-1">
        {angle.points.map((name, index) => (
          <li key={name}>
            <span className="numeral mr-1.5">{index + 1}</span>
            {name}
          </li>
        ))}
      </ol>
      <PhotoPoints
        photo={photo}
        points={points.map((at, index) => ({ name: angle.points[index]!, at, mark: String(index + 1) }))}
        lines={[points]}
        onMove={(index, point) => setPoints(points.map((one, at) => (at === index ? point : one)) as unknown as typeof points)}
      />
      {deg === null ? (
        <p className="text-soft">Put the three points apart.</p>
      ) : (
        <div className="sticky bottom-0 -mx-2 flex flex-wrap items-center gap-4 rounded-t-2xl bg-paper px-2 py-3">
          <p>
            <span className="numeral text-3xl">{deg}°</span>
            <span className="ml-2 text-soft">± {readingError({ value: deg, tool: 'photo' }, 'angle', deg, protocol)}° from the photo</span>
          </p>
          <Button look="next" onClick={() => onTake(deg)}>
            Take this angle
          </Button>
        </div>
      )}
    </>
  )
}
