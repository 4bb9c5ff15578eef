import type { WardAnswer } from '#contract/api/pager'
import { paths } from '#contract/api/paths'
import type { PersonSettings } from '#contract/records/person'
import { ChoiceRow, ChoiceSet } from '../../parts/choice-row'
import { useAnswer } from '../../sync/use-answer'

const none = 'none'

/** The team that I work with and the places that are mine: my round walks them, and the Board shows them as mine. */
export function OwnPlaces({ settings, onSave }: { settings: PersonSettings; onSave: (settings: PersonSettings) => void }) {
  const { answer, refusal } = useAnswer<WardAnswer>(paths.ward)
  const { areas = [], teams = [] } = answer?.ward ?? {}
  const places = settings.places ?? []
  const names = [...new Set([...areas.map((area) => area.name), ...places])]
  if (!answer && !refusal) return null
  return (
    <section aria-labelledby="own-places" className="grid gap-4 rounded-3xl border border-line bg-sheet p-5">
      <h2 id="own-places" className="text-lg font-bold">
        Team and places
      </h2>
      {teams.length > 0 ? (
        <ChoiceRow
          label="Team"
          value={settings.team ?? none}
          choices={[...teams.map((team) => ({ value: team.name, label: team.name })), { value: none, label: 'no team' }]}
          onChange={(name) => {
            const { team, ...rest } = settings
            void team
            const chosen = teams.find((one) => one.name === name)
            onSave(chosen ? { ...rest, team: chosen.name, places: chosen.areas } : rest)
          }}
        />
      ) : null}
      {names.length > 0 ? (
        <ChoiceSet
          label="My places"
          values={places}
          choices={names.map((value) => ({ value, label: value }))}
          onChange={(chosen) => onSave({ ...settings, places: chosen })}
        />
      ) : (
        <p className="text-soft">No places are set for this ward yet: a lead sets them under Ward.</p>
      )}
    </section>
  )
}
