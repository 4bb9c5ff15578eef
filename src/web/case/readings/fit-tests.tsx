import { useWords } from '../../sync/use-words'
import type { FitTest } from '#core/model/plan'
import type { CaseRecord } from '#contract/records/case'
import { answeredUnread } from '#ward/case/measured-beyond'
import { Notice } from '../../parts/notice'

/** What to look at on the device, each answered yes or no, with what to do when it is not so. */
export function FitTests({
  tests,
  record,
  onSave,
}: {
  tests: readonly FitTest[]
  record: CaseRecord
  onSave: (body: { testId: string; isGood: boolean; note: string }) => void
}) {
  const say = useWords()
  return (
    <section aria-labelledby="fit">
      <h2 id="fit" className="mb-2 font-bold">
        Fit
      </h2>
      <ul className="grid gap-2">
        {tests.map((test) => {
          const last = record.fit.findLast((fit) => fit.testId === test.id)
          const isUnread = last !== undefined && answeredUnread(record, test, last.isGood) !== null
          return (
            <li key={test.id} className="rounded-2xl border border-line bg-sheet px-4 py-2.5">
              <div className="flex items-center gap-3">
                <div className="min-w-0 flex-1">
                  <p className="font-semibold leading-tight">{say(test.text)}</p>
                  <p className="text-sm text-soft">{say(test.why)}</p>
                </div>
                <div role="group" aria-label={say(test.text)} className="flex gap-1">
                  {([true, false] as const).map((isGood) => (
                    <button
                      key={String(isGood)}
                      type="button"
                      aria-pressed={last?.isGood === isGood}
                      onClick={() => onSave({ testId: test.id, isGood, note: '' })}
                      className={`min-h-11 min-w-13 rounded-xl border px-3 ${last?.isGood === isGood ? (isGood ? (isUnread ? 'border-caution bg-caution-wash font-bold text-caution' : 'border-ink bg-ink font-bold text-paper') : 'border-stop bg-stop-wash font-bold text-stop') : 'border-line'}`}
                    >
                      {isGood ? 'yes' : 'no'}
                    </button>
                  ))}
                </div>
              </div>
              {isUnread ? (
                <div className="mt-2">
                  <Notice tone="caution" lead="Not read: a yes counts once the angle is read" role="status" />
                </div>
              ) : null}
              {last && !last.isGood ? (
                <div className="mt-2">
                  <Notice tone="caution" lead={say(test.remedy)} role="status" />
                </div>
              ) : null}
            </li>
          )
        })}
      </ul>
    </section>
  )
}
