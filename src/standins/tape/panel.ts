/** The tape's own little page: its length, its troubles, its button. */
export const panelPage = `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<title>Simulated tape</title>
<meta name="viewport" content="width=device-width">
<style>
  body { font: 18px/1.5 system-ui, sans-serif; margin: 2rem auto; max-width: 26rem; padding: 0 1rem; background: #f6f1e6; color: #1d1b16 }
  label { display: grid; gap: .2rem; margin: 1rem 0 }
  input { width: 100%; accent-color: #6f7a00 }
  button { font: inherit; min-height: 48px; padding: 0 1.2rem; border-radius: 14px; border: 1.5px solid #1d1b16; background: #fffcf5; margin: .2rem .3rem .2rem 0 }
  #hold { background: #d3e04a; font-weight: 700 }
  output { font-size: 2.4rem; font-weight: 700 }
</style>
<h1>Simulated tape</h1>
<output id="shown"></output>
<label>Length, cm <input id="lengthCm" type="range" min="5" max="150" step="0.1"></label>
<label>Jitter, cm <input id="jitterCm" type="range" min="0" max="2" step="0.05"></label>
<label>Battery, % <input id="batteryPercent" type="range" min="0" max="100" step="1"></label>
<label>Lost lines <input id="lossShare" type="range" min="0" max="0.9" step="0.1"></label>
<p><button id="hold">Press the button</button><button id="unplug">Unplug</button><button id="garbage">Send nonsense</button></p>
<script>
  const names = ['lengthCm', 'jitterCm', 'batteryPercent', 'lossShare']
  const show = (state) => {
    for (const name of names) document.getElementById(name).value = state[name]
    document.getElementById('shown').textContent = Number(state.lengthCm).toFixed(1) + ' cm'
  }
  fetch('/state').then((one) => one.json()).then(show)
  for (const name of names) document.getElementById(name).addEventListener('input', (event) =>
    fetch('/state', { method: 'POST', body: JSON.stringify({ [name]: Number(event.target.value) }) }).then((one) => one.json()).then(show))
  for (const id of ['hold', 'unplug', 'garbage']) document.getElementById(id).addEventListener('click', () => fetch('/' + id, { method: 'POST' }))
</script>
</html>
`
