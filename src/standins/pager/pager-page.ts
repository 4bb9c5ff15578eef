import { pagerModes } from './page-book'

/** The pager's own little page: what came in, reading and answering it, and its troubles. */
export const pagerPage = `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<title>Simulated pager</title>
<meta name="viewport" content="width=device-width">
<style>
  body { font: 18px/1.5 system-ui, sans-serif; margin: 2rem auto; max-width: 34rem; padding: 0 1rem; background: #f6f1e6; color: #1d1b16 }
  button { font: inherit; min-height: 48px; padding: 0 1.2rem; border-radius: 14px; border: 1.5px solid #1d1b16; background: #fffcf5; margin: .2rem .3rem .2rem 0 }
  button[aria-pressed=true] { background: #1d1b16; color: #fffcf5 }
  li { list-style: none; border: 1px solid #cfc6b0; border-radius: 14px; padding: .8rem 1rem; margin: .6rem 0; background: #fffcf5 }
  ul { padding: 0 }
</style>
<h1>Simulated pager</h1>
<p id="modes">${pagerModes.map((mode) => `<button data-mode="${mode}">${mode}</button>`).join('')}</p>
<ul id="pages"></ul>
<script>
  const post = (path, body) => fetch(path, { method: 'POST', body: JSON.stringify(body) }).then(show)
  for (const button of document.querySelectorAll('[data-mode]')) button.onclick = () => post('/state', { mode: button.dataset.mode })
  async function show() {
    const { mode, pages } = await fetch('/pages').then((one) => one.json())
    for (const button of document.querySelectorAll('[data-mode]')) button.setAttribute('aria-pressed', button.dataset.mode === mode)
    document.getElementById('pages').replaceChildren(...pages.map((page) => {
      const item = document.createElement('li')
      item.append(page.at.slice(11, 19) + ' to ' + page.to, document.createElement('br'), page.text, document.createElement('br'), page.said.join(', '), document.createElement('br'))
      for (const what of ['read', 'answered']) {
        const button = document.createElement('button')
        button.textContent = what === 'read' ? 'Read' : 'Answer'
        button.onclick = () => post('/receipts', { pageId: page.id, what })
        item.append(button)
      }
      return item
    }))
  }
  show()
  setInterval(show, 2000)
</script>
</html>
`
