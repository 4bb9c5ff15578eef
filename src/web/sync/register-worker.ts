/** Keeps the application on this device, so that it starts without a network. Where the browser will not, it works as long as there is one. */
export function registerWorker(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  // After the page is there: the first screen comes before what is kept for later.
  window.addEventListener('load', () => void navigator.serviceWorker.register('/service-worker.js').catch(() => null))
}
