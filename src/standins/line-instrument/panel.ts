import type { DeviceKind } from './line-source'

/** The device's own little page: what it measures, its troubles, its button. */
export function panelPage(kind: DeviceKind): string {
  return `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<title>Simulated ${kind.title.toLowerCase()}</title>
<meta name="viewport" content="width=device-width">
<style>
  body { font: 18px/1.5 system-ui, sans-serif; margin: 2rem auto; max-width: 26rem; padding: 0 1rem; background: #f6f1e6; color: #1d1b16 }
  label { display: grid; gap: .2rem; margin: 1rem 0 }
  input { width: 100%; accent-color: #6f7a00 }
  button { font: inherit; min-height: 48px; padding: 0 1.2rem; border-radius: 14px; border: 1.5px solid #1d1b16; background: #fffcf5; margin: .2rem .3rem .2rem 0 }
  #hold { background: #d3e04a; font-weight: 700 }
  output { font-size: 2.4rem; font-weight: 700 }
</style>
<h1>Simulated ${kind.title.toLowerCase()}</h1>
<output id="shown"></output>
<label>${kind.quantity}, ${kind.unit} <input id="value" type="range" min="${kind.least}" max="${kind.greatest}" step="0.1"></label>
<label>Jitter, ${kind.unit} <input id="jitter" type="range" min="0" max="${kind.greatest / 10}" step="0.05"></label>
<label>Battery, % <input id="batteryPercent" type="range" min="0" max="100" step="1"></label>
<label>Lost lines <input id="lossShare" type="range" min="0" max="0.9" step="0.1"></label>
<p><button id="hold">Press the button</button><button id="unplug">Unplug</button><button id="garbage">Send nonsense</button></p>
<script>
  const names = ['value', 'jitter', 'batteryPercent', 'lossShare']
  const show = (state) => {
    for (const name of names) document.getElementById(name).value = state[name]
    document.getElementById('shown').textContent = Number(state.value).toFixed(1) + ' ${kind.unit}'
  }
  fetch('/state').then((one) => one.json()).then(show)
  for (const name of names) document.getElementById(name).addEventListener('input', (event) =>
    fetch('/state', { method: 'POST', body: JSON.stringify({ [name]: Number(event.target.value) }) }).then((one) => one.json()).then(show))
  for (const id of ['hold', 'unplug', 'garbage']) document.getElementById(id).addEventListener('click', () => fetch('/' + id, { method: 'POST' }))
</script>
</html>
`
}
