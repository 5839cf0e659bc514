/** Stands wherever a safety device is shown. */
export const SAFETY_NOTE =
  'This is the check of wiring and function only. Risk assessment, performance level and validation belong to a competent person under the local law and standards.';
