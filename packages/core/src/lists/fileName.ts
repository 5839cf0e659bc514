/** A name for a file from a title: small letters of any language, digits and dashes. */
export function fileName(title: string, ending: string): string {
  const base = title
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');
  return `${base || 'job'}.${ending}`;
}
