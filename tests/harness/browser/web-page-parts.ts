// What loadPage loads anew for every page.
export { openDurable, useKeeping, type Durable } from '../../../src/web/sync/durable'
export { dismissUndecided, flushOutbox, makeEvent, postponeLeft, resumeOutbox, sendEvent, useOutbox } from '../../../src/web/sync/outbox'
export { resumeDrills, sendDrill } from '../../../src/web/sync/practice-drills'
export { addMark, beginRun, resumeRuns, usePracticeRuns } from '../../../src/web/sync/practice-runs'
export { sendSealed, useSealed } from '../../../src/web/sync/sealed-outbox'
export { useSession } from '../../../src/web/sync/session-store'
export { moveStock } from '../../../src/web/sync/stock-store'
export { openVault } from '../../../src/web/sync/vault'
