import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { protocolFile, readProtocol } from '#core/files/read-protocol'
import { caseFile } from '#core/files/write-case'
import { readBenchFile, writeBenchFile } from '#core/practice/bench-file'
import { benches } from '#core/practice/benches'
import { readStationFile, writeStationFile } from '#core/practice/stations/read-station'
import { shippedStations } from '#core/practice/stations/shipped-stations'
import { stationContext } from '#core/practice/stations/station-context'
import { defaultProtocol } from '#core/quantities/defaults'
import { exampleOf } from '../../harness/cases/example-cases'

const example = exampleOf('leg-slab')
const bench = benches[0]!
const station = shippedStations(stationContext)[0]!

/** Each file that the application saves and reads again: as saved, and what reading it says is wrong. */
const files: readonly (readonly [string, object, (file: object) => readonly string[]])[] = [
  [
    'a case',
    caseFile(readCase(example).clinicalCase!),
    (file) => readCase(file).problems.map((problem) => `${problem.path}: ${problem.message}`),
  ],
  [
    'a protocol',
    protocolFile(defaultProtocol),
    (file) => readProtocol(file).problems.map((problem) => `${problem.path}: ${problem.message}`),
  ],
  [
    'a bench',
    writeBenchFile(bench, {}),
    (file) => {
      const read = readBenchFile(bench, file)
      return 'refusal' in read ? [read.refusal] : []
    },
  ],
  [
    'a station',
    writeStationFile(station),
    (file) => readStationFile(file, () => station.required).problems.map((problem) => `${problem.field}: ${problem.message}`),
  ],
]

describe('a file that another version saved', () => {
  for (const [name, file, faultsOf] of files) {
    it(`${name}: is refused as a whole, in words with a remedy; of this version it is read, and by hand too`, () => {
      expect(faultsOf(file).filter((fault) => fault.includes('version'))).to.deep.equal([])
      const [fault, ...more] = faultsOf({ ...file, schemas: 'another' })
      expect(more).to.deep.equal([])
      expect(fault).to.include('saved by another version').and.include('enter it anew here')
      const { schemas: _, ...byHand } = file as { readonly schemas: string }
      expect(faultsOf(byHand).filter((one) => one.includes('version'))).to.deep.equal([])
    })
  }

  it('a case is not planned from it', () => {
    expect(readCase({ ...example, schemas: 'another' }).clinicalCase).to.equal(null)
    expect(readCase(example).clinicalCase).not.to.equal(null)
  })
})
