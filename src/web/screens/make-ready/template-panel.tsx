import { Printer } from 'lucide-react'
import type { Plan } from '#core/plan/plan'
import { isCutOut } from '#contract/papers'
import { paths } from '#contract/paths'

const link = 'inline-flex min-h-12 items-center gap-2 rounded-2xl border-[1.5px] border-soft bg-sheet px-4 font-semibold'

/** The outline to cut, printed 1:1 or as a drawing file. */
export function TemplatePanel({ caseId, plan }: { caseId: string; plan: Plan }) {
  if (!plan.geometry.polygons.some(isCutOut)) return null
  return (
    <section aria-labelledby="template" className="grid gap-2">
      <h2 id="template" className="font-bold">
        Paper template, 1:1
      </h2>
      <p className="text-sm text-soft">Print without fitting to the page, then lay a ruler on the 10 cm check ruler before cutting.</p>
      <p className="flex flex-wrap gap-2">
        <a className={link} href={paths.paper(caseId, 'template', 'a4')} target="_blank" rel="noreferrer">
          <Printer size={18} aria-hidden />
          A4
        </a>
        <a className={link} href={paths.paper(caseId, 'template', 'letter')} target="_blank" rel="noreferrer">
          <Printer size={18} aria-hidden />
          Letter
        </a>
        <a className={link} href={paths.templateSvg(caseId)} target="_blank" rel="noreferrer">
          SVG
        </a>
      </p>
    </section>
  )
}
