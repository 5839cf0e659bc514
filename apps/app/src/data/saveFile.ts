import { decodeText } from '@keypost/core/lists';

/** Gives a text to the browser as a file. */
export function saveFile(name: string, type: string, text: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** The text of a file, in whichever of the usual ways it was written. */
export const textIn = async (file: Blob): Promise<string> =>
  decodeText(new Uint8Array(await file.arrayBuffer()));

/** Lets the user pick a file and gives its text; nothing where none was picked. */
export const pickFile = (accept: string): Promise<string | undefined> =>
  pick(accept).then((file) => file && textIn(file));

/** Lets the user pick a file; one that is too large is not read, and its size in bytes given instead. */
export function pickNamedFile(
  accept: string,
  maxBytes: number,
): Promise<{ name: string; text: string } | { name: string; tooLarge: number } | undefined> {
  return pick(accept).then(async (file) => {
    if (!file) return undefined;
    return file.size > maxBytes
      ? { name: file.name, tooLarge: file.size }
      : { name: file.name, text: await textIn(file) };
  });
}

/** Lets the user take a photo, or pick a picture; nothing where they did neither. */
export const pickPicture = (camera: boolean): Promise<File | undefined> => pick('image/*', camera);

function pick(accept: string, camera = false): Promise<File | undefined> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    if (camera) input.setAttribute('capture', 'environment');
    input.onchange = () => resolve(input.files?.[0]);
    input.oncancel = () => resolve(undefined);
    input.click();
  });
}
