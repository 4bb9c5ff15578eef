import type { Plan } from '#core/model/plan'
import { isCutOut } from '#contract/api/papers'
import { paths } from '#contract/api/paths'
import { PaperLinks } from '../../case/plan/paper-links'

/** The outline to cut, printed 1:1 or as a drawing file. */
export function TemplatePanel({ caseId, plan }: { caseId: string; plan: Plan }) {
  if (!plan.geometry.polygons.some(isCutOut)) return null
  return (
    <section aria-labelledby="template" className="grid gap-2">
      <h2 id="template" className="font-bold">
        Paper template, 1:1
      </h2>
      <p className="text-sm text-soft">Print without fitting to the page, then lay a ruler on the 10 cm check ruler before cutting.</p>
      <div className="flex flex-wrap gap-2">
        <PaperLinks caseId={caseId} papers={['template']} />
        <a
          className="inline-flex min-h-11 items-center rounded-2xl border-[1.5px] border-soft bg-sheet px-4 font-semibold"
          href={paths.templateSvg(caseId)}
        >
          SVG
        </a>
      </div>
    </section>
  )
}
