import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { rankTechniques } from '#core/techniques/rank-techniques'
import { findTechnique } from '#core/techniques/registry'
import { toClinicalCase } from '#ward/case/clinical-case'
import { protocolOf } from '#contract/records/case'
import { missingIn } from '../../parts/required'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Dialog } from '../../parts/dialog'
import type { OpenCase } from '../../sync/case-store'
import { startDevice, type DeviceWay } from '../run/start-device'
import { browserContext } from './use-plan'

/** Another device for the patient in hand: in place of the one that is on, beside it, or for another injury. */
export function DeviceSheet({ open, onClose }: { open: OpenCase; onClose: () => void }) {
  const { record, episode } = open
  const navigate = useNavigate()
  const isOn = record.appliedAt !== null && record.removedAt === null
  const [way, setWay] = useState<DeviceWay>(isOn ? 'convert' : 'beside')
  const ranked = useMemo(() => {
    const all = rankTechniques(toClinicalCase(record, episode), browserContext(protocolOf(record)))
    const first = findTechnique(record.technique)?.changesTo ?? []
    const rank = (id: string): number => (first.includes(id) ? first.indexOf(id) : first.length)
    return all
      .filter((one) => one.technique.id !== record.technique && one.verdict !== 'stop')
      .sort((a, b) => rank(a.technique.id) - rank(b.technique.id))
  }, [record, episode])
  const [chosen, setChosen] = useState<string | null>(null)
  const technique = chosen ?? ranked[0]?.technique.id ?? null
  const [isStarting, setStarting] = useState(false)
  const begin = (): void => {
    setStarting(true)
    void startDevice(open, way, way === 'injury' ? null : technique).then((caseId) => {
      onClose()
      void navigate(`/case/${caseId}/${way === 'injury' ? 'size-up' : 'measure'}`)
    })
  }
  return (
    <Dialog title="Another device" isOpen onClose={onClose}>
      <div className="grid gap-5">
        <ChoiceRow
          label="How"
          value={way}
          choices={[
            ...(isOn ? [{ value: 'convert' as const, label: 'In place of this one', hint: 'it is off once the new one is on' }] : []),
            { value: 'beside' as const, label: 'Beside this one', hint: 'same injury' },
            { value: 'injury' as const, label: 'For another injury', hint: 'same patient' },
          ]}
          onChange={setWay}
        />
        {way === 'injury' ? (
          <p>Next: where the other injury is. The patient, the flags, the baseline and the readings come along.</p>
        ) : ranked.length === 0 ? (
          <p>Everything else is stopped for this injury: size up again, or choose another injury.</p>
        ) : (
          <ChoiceRow
            label="What goes on"
            value={technique}
            choices={ranked.map(({ technique: one, verdict, reasons }) => ({
              value: one.id,
              label: one.name,
              ...(verdict === 'caution' ? { hint: reasons[0]?.text ?? 'caution' } : {}),
            }))}
            onChange={setChosen}
          />
        )}
        <p className="text-soft">
          {record.measurements.length === 0
            ? 'No readings were taken here yet.'
            : 'Readings keep their times. Measure again what swelling or pull has changed since.'}
        </p>
        <div className="flex flex-wrap gap-3">
          <Button
            look="next"
            disabled={isStarting}
            refuses={way !== 'injury' && technique === null ? missingIn('another-device', { technique }) : null}
            onClick={begin}
          >
            Begin
          </Button>
          <Button onClick={onClose}>Leave as it is</Button>
        </div>
      </div>
    </Dialog>
  )
}
