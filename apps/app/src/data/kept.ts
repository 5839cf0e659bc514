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

/** Puts what is needed to read without network on this device, once the page has what it needs itself. */
export function keepForReading(): void {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  const begin = () =>
    setTimeout(() => void navigator.serviceWorker.register('/sw.js').catch(() => undefined), AFTER);
  if (document.readyState === 'complete') begin();
  else window.addEventListener('load', begin, { once: true });
}

/** The first views come before, ms. */
const AFTER = 5000;
