import { DateTime } from 'luxon'
import type { Plan } from '#core/model/plan'
import type { SheetId } from '#contract/api/papers'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { codeTexts } from '#ward/story/qr-modules'
import { cardLines, cardTitle, receiversCard } from '#ward/story/receivers-card'
import { printFlow, type FlowBlock } from './flow-paper'

/** What a crew gives to whoever takes the patient: one page, and the same text as codes to scan. */
export function printReceiversCard(
  record: CaseRecord,
  episode: EpisodeRecord,
  plan: Plan | null,
  printedAt: string,
  sheet: SheetId,
): Promise<Buffer> {
  const { zone } = episode
  const at = (iso: string): string => DateTime.fromISO(iso, { zone }).toFormat('ccc d LLL, HH:mm')
  const card = receiversCard(record, episode, plan, Date.parse(printedAt), at)
  const title = cardTitle(record)
  const blocks: readonly FlowBlock[] = [
    { kind: 'title', text: title },
    { kind: 'strong', text: card.who },
    ...card.sections.flatMap(({ title: text, lines }): readonly FlowBlock[] => [
      { kind: 'heading', text },
      { kind: 'list', lines },
    ]),
    { kind: 'codes', texts: codeTexts(cardLines(card)) },
  ]
  return printFlow(blocks, { title, zone, printedAt }, sheet, { isOnePage: true })
}
