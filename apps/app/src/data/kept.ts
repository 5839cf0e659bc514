import { held } from './held';

/** The header by which the service worker says that an answer is one that it kept. */
const HEADER = 'x-keypost-kept';

const since = held<string | undefined>(undefined);

/** Takes note of whether an answer is of now, or one that was kept on this device. */
export function noteAnswer(response: Response): Response {
  const kept = response.headers.get(HEADER);
  since.put(kept === null ? undefined : kept || new Date(0).toUTCString());
  return response;
}

/** From when what is shown is, where there is no network and it was kept on this device. */
export const useKeptSince = since.use;

const newer = held(false);

/** Whether a newer program is on this device than the one that this page runs. */
export const useNewer = newer.use;

/** Takes up a newer program when one has come: at once while nothing was done on the page, else when it is told to. */
function followNewer(worker: ServiceWorkerContainer): void {
  // The first one comes to a page that is of its own make.
  if (!worker.controller) return;
  let touched = false;
  const touch = () => (touched = true);
  for (const act of ['pointerdown', 'keydown', 'wheel'])
    window.addEventListener(act, touch, { capture: true, once: true, passive: true });
  worker.addEventListener('controllerchange', () => (touched ? newer.put(true) : window.location.reload()));
}

/** Puts what is needed to read without network on this device, once the page has what it needs itself. */
export function keepForReading(): void {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  const { serviceWorker } = navigator;
  followNewer(serviceWorker);
  const begin = () => setTimeout(() => void serviceWorker.register('/sw.js').catch(() => undefined), AFTER);
  if (document.readyState === 'complete') begin();
  else window.addEventListener('load', begin, { once: true });
}

/** The first views come before, ms. */
const AFTER = 5000;
