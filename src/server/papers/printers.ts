import { printBedsideLabel, printReleaseCard } from './bedside-papers'
import { printCaseSummary } from './case-summary-paper'
import { printCountSheet } from './count-sheet-paper'
import { printDowntimePack } from './downtime-pack'
import { printHandOver } from './hand-over-paper'
import { printIncident } from './incident-paper'
import { printReceiversCard } from './receivers-card-paper'
import { printRoundChart } from './round-chart-paper'
import { printRunRecord } from './run-record-paper'
import { printStationSheet } from './station-sheet-paper'
import { printTakeHome } from './take-home-paper'
import { printTemplate } from './template-paper'

/** Every paper by its name: what is handed to one goes through to another thread, so that it is plain data. */
export const printers = {
  template: printTemplate,
  'run-record': printRunRecord,
  'release-card': printReleaseCard,
  'take-home': printTakeHome,
  'receivers-card': printReceiversCard,
  'case-summary': printCaseSummary,
  incident: printIncident,
  'round-chart': printRoundChart,
  'bedside-label': printBedsideLabel,
  'hand-over': printHandOver,
  downtime: printDowntimePack,
  'count-sheet': printCountSheet,
  'station-sheet': printStationSheet,
}

export type Printers = typeof printers
