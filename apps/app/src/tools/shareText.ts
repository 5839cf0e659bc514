/** How a text left this page. */
export type Shared = 'shared' | 'copied' | 'neither';

/** Hands a text to what the device shares with; where there is nothing, puts it on the clipboard. */
export async function shareText(title: string, text: string): Promise<Shared> {
  if (typeof navigator.share === 'function')
    try {
      await navigator.share({ title, text });
      return 'shared';
    } catch (error) {
      if (error instanceof DOMException && error.name === 'AbortError') return 'neither';
    }
  try {
    await navigator.clipboard.writeText(text);
    return 'copied';
  } catch {
    return 'neither';
  }
}
