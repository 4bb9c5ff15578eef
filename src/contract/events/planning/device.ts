import type { CaseRecord } from '../../records/case'
import type { Device } from '#core/model/device'
import { caseKind } from '../kind'

export interface DeviceBody {
  readonly device: Device
}

/** A cast that is already on. */
export const device = caseKind<DeviceBody>({
  nature: 'replacing',
  right: 'add',
  isClinicians: true,
  bearsOnPlan: true,
  fold: (record, { body }): CaseRecord => ({ ...record, device: body.device }),
  example: { device: { material: 'plaster-slow', layers: 8, paddingLayers: 2, topCm: 38, minutesSince: 90, lastRound: 'none' } },
})
