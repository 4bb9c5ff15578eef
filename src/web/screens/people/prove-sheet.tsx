import { useState } from 'react'
import { paths } from '#contract/api/paths'
import { SheetForm } from '../../parts/sheet-form'
import { TextField } from '../../parts/text-field'
import { callApi, describeNoAnswer } from '../../sync/api'
import { missingIn } from '../../parts/required'

/** The password again, before something that only an admin does: the tablet may have been left. */
export function ProveSheet({ onProved, onClose }: { onProved: () => void; onClose: () => void }) {
  const [password, setPassword] = useState('')
  const [error, setError] = useState<string | null>(null)
  const prove = async (): Promise<void> => {
    const missing = missingIn('prove', { password })
    if (missing) return setError(missing)
    const result = await callApi('POST', paths.sessionProve, { password })
    if (result.kind === 'ok') return onProved()
    setError(result.kind === 'refused' ? result.problem.detail : `${describeNoAnswer(result)}: try again.`)
  }
  return (
    <SheetForm
      title="Your password again"
      sendLabel="Go on"
      backLabel="Leave it"
      error={error}
      onSend={() => void prove()}
      onClose={onClose}
    >
      <p className="text-soft">It is more than five minutes since you gave it, and this changes who may come in.</p>
      <TextField
        label="Password"
        type="password"
        autoFocus
        autoComplete="current-password"
        value={password}
        onChange={(event) => {
          setError(null)
          setPassword(event.target.value)
        }}
      />
    </SheetForm>
  )
}
