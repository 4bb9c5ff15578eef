import { formatLength, type DisplayUnits } from '#core/planner/format-decision'
import type { Geometry } from '#core/model/geometry'
import { wordsInUnits } from '#core/quantities/words-in-units'

const axisWords: Readonly<Record<string, string>> = {
  foot: 'from the toe tips',
  leg: 'from the heel sole',
  arm: 'from the wrist crease',
  neck: 'above the shoulder line',
  trunk: 'above the pubic bone',
}

/** The drawing in words: every part with its place and size, for those who do not see it. */
export function LaneList({ geometry, units }: { geometry: Geometry; units: DisplayUnits }) {
  const of = (cm: number): string => formatLength(cm, units)
  const axisName = (id: string): string => axisWords[id] ?? 'along it'
  return (
    <div className="sr-only">
      <h2>Parts of the drawing</h2>
      <ul>
        {geometry.stations.map((station) => (
          <li key={station.id}>
            {station.label} girth {of(station.girthCm)}, {station.from}
            {station.side ? `, read on the ${station.side}` : ''}, {of(station.atCm)} {axisName(station.axis)}
          </li>
        ))}
        {geometry.bands.map((band) => (
          <li key={band.id}>
            {wordsInUnits(band.label, units)} from {of(band.fromCm)} to {of(band.toCm)} {axisName(band.axis)}
          </li>
        ))}
        {geometry.marks.map((mark) => (
          <li key={mark.id}>
            {wordsInUnits(mark.label, units)} at {of(mark.atCm)} {axisName(mark.axis)}
          </li>
        ))}
        {geometry.polygons.map((polygon) => (
          <li key={polygon.id}>{wordsInUnits(polygon.label, units)}</li>
        ))}
        {Object.entries(geometry.angles).map(([joint, degrees]) => (
          <li key={joint}>
            {joint} at {degrees}°
          </li>
        ))}
      </ul>
    </div>
  )
}
