import { Printer } from 'lucide-react'

const sheetSizes = ['a4', 'letter'] as const

/** One paper, printed on either size of sheet; opens in the browser's own viewer. */
export function PrintPair({ name, href }: { name: string; href: (sheet: (typeof sheetSizes)[number]) => string }) {
  return (
    <span className="inline-flex items-center divide-x divide-line rounded-2xl border-[1.5px] border-soft bg-sheet">
      {sheetSizes.map((sheet) => (
        <a key={sheet} className="inline-flex min-h-11 items-center px-3 font-semibold" target="_blank" rel="noreferrer" href={href(sheet)}>
          {sheet === 'a4' ? (
            <>
              <Printer size={17} aria-hidden className="mr-2" />
              {name}, A4
            </>
          ) : (
            <>
              <span className="sr-only">{name}, </span>Letter
            </>
          )}
        </a>
      ))}
    </span>
  )
}
