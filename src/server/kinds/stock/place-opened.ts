import type { PlaceOpenedBody } from '#contract/events/stock/place-opened'
import { refuse } from '../refuse'
import type { PlaceRules } from '../rules'

export const rules: PlaceRules<PlaceOpenedBody> = {
  async after({ stock }, { stream, body: { name, kind } }, transaction) {
    if (await stock.isPlaceNamed(name, transaction)) {
      refuse('format', 'body/name', `There is a place called "${name}" already: give the new one another name.`)
    }
    await stock.addPlace({ id: stream.id, name, kind }, transaction)
  },
}
