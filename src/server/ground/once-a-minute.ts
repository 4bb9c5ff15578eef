import { pino, type DestinationStream, type Logger } from 'pino'

const saidEveryMs = 60_000
const mostKnown = 500
/** Each has a number that somebody may ask about. */
const eachSaid = new Set(['unexpected error'])

/**
 * A log in which an outage is one line a minute for each thing that goes wrong in it, however often it does: the next line of its kind says
 * how many were left out.
 * @param nowMs a steady clock, ms
 */
export function createLog(level: string, stream: DestinationStream, nowMs: () => number = () => performance.now()): Logger {
  const said = new Map<string, { atMs: number; left: number }>()
  return pino(
    {
      level,
      hooks: {
        logMethod(input, method) {
          const words = input.findLast((one): one is string => typeof one === 'string') ?? ''
          if (words === '' || eachSaid.has(words)) return method.apply(this, input)
          const last = said.get(words)
          if (last && nowMs() - last.atMs < saidEveryMs) return void last.left++
          if (said.size >= mostKnown) said.clear()
          said.set(words, { atMs: nowMs(), left: 0 })
          const [first, ...rest] = input as unknown as [unknown, ...unknown[]]
          const fields = typeof first === 'object' && first !== null ? first : {}
          const message = typeof first === 'object' && first !== null ? rest : [first, ...rest]
          const more = last && last.left > 0 ? { ...fields, leftOut: last.left } : fields
          method.apply(this, [more, ...message] as unknown as Parameters<typeof method>)
        },
      },
    },
    stream,
  )
}
