/**
 * On a device that is paired for emergency entry, which many hold, no page of a patient stays behind another one in the browser: each takes the
 * place of the one before it, whoever opens it.
 */
export function keepOnePageBehind(isWanted: () => boolean): void {
  const push = window.history.pushState.bind(window.history)
  window.history.pushState = (state, unused, url) =>
    isWanted() ? window.history.replaceState(state, unused, url) : push(state, unused, url)
}
