/** Gives a text to the browser as a file. */
export function saveFile(name: string, type: string, text: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** A name for a file from a title: small letters, digits and dashes. */
export function fileName(title: string, ending: string): string {
  const base = title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
  return `${base || 'job'}.${ending}`;
}

/** Lets the user pick a file and gives its text; nothing where none was picked. */
export function pickFile(accept: string): Promise<string | undefined> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => {
      const file = input.files?.[0];
      if (file) void file.text().then(resolve);
      else resolve(undefined);
    };
    input.oncancel = () => resolve(undefined);
    input.click();
  });
}
