import type { Plan } from '#core/model/plan'

/** The smallest thing that is a plan: for the example of the event that accepts one. */
export const examplePlan: Plan = {
  format: 'zesty-wren/plan',
  version: 1,
  technique: 'leg-slab',
  versions: { core: '0', protocol: 'default/1', catalogue: '1' },
  options: {},
  decisions: [],
  materials: [],
  cautions: [],
  procedure: { steps: [] },
  fit: [],
  care: [],
  schedule: [],
  geometry: { body: 'leg', angles: {}, axes: [], stations: [], bands: [], marks: [], polygons: [] },
  problems: [],
  pending: [],
}
