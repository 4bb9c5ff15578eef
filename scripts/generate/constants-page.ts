import { armGirthRatios, armStationShares, forearmShareOfStature } from '#core/figures/body/arm-template'
import { calfShareOfStature, footStationShares, legGirthRatios, legStationShares } from '#core/figures/body/leg-template'
import { protocolFigures } from '#core/protocols/protocol-figures'

/** What a hand needs beside the formulas to work a sheet again: every constant, and the template of a body that was not measured whole. */
export function constantsPage(): string {
  const groups = [...new Set(protocolFigures.map((protocolFigure) => protocolFigure.group))]
  const tables = groups.map((group) => {
    const rows = protocolFigures
      .filter((protocolFigure) => protocolFigure.group === group)
      .map(
        (protocolFigure) =>
          `| \`${protocolFigure.key}\` | ${protocolFigure.label} | ${protocolFigure.value} | ${protocolFigure.unit} | ${protocolFigure.source} | ${protocolFigure.note ?? ''} |`,
      )
    return `### ${group}\n\n| key | what | value | unit | source | note |\n|---|---|---|---|---|---|\n${rows.join('\n')}\n`
  })
  return `
## What a hand needs to work a sheet again

Every constant of the formulas above, as shipped; a local protocol may set it by its key. The source is said as above.

${tables.join('\n')}
### The body where it was not measured

Girths that were not read are shares of the one that was; stations lie at shares of a length that was read. \`anatomy\`, our estimate for a person.

- Calf girth: ${calfShareOfStature} of stature. Forearm length: ${forearmShareOfStature} of stature.
- Leg girths, of the calf girth: ${shares(legGirthRatios)}.
- Leg stations, of the lower leg from the sole: ${shares(legStationShares)}.
- Foot stations, of the foot from the toe tips: ${shares(footStationShares)}.
- Arm girths, of the forearm girth: ${shares(armGirthRatios)}.
- Arm stations, of the forearm from the wrist crease: ${shares(armStationShares)}.
`
}

function shares(table: Readonly<Record<string, number>>): string {
  return Object.entries(table)
    .map(([name, share]) => `${name.replaceAll('-', ' ')} ${share}`)
    .join(', ')
}
