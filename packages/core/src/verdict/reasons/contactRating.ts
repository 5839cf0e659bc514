import type { ContactRating } from '../../catalog/index.ts';
import { fixed, formatMilliamps } from '../../units/index.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/**
 * What a contact says of what it carries: too much, too much at the start, or too little to stay clean.
 * @param name such as `K1 11-14`. @param amps A, running. @param inrush A, at the moment of closing.
 */
export function judgeContact(name: string, contacts: ContactRating, amps: number, inrush: number): Reason[] {
  if (amps > contacts.amps)
    return [
      cannot(
        'contact-rating',
        `${name} would carry ${fixed(amps, 1)} A; it is rated for ${contacts.amps} A.`,
      ),
    ];
  if (inrush > contacts.inrushAmps)
    return [
      cannot(
        'contact-rating',
        `${name} would have to make ${fixed(inrush, 0)} A at the start of its load; it may make ${contacts.inrushAmps} A. It would weld.`,
      ),
    ];
  return amps < contacts.minAmps
    ? [
        doubtful(
          'contact-wetting',
          `${name} carries only ${formatMilliamps(amps)}; its contact stays clean from ${formatMilliamps(contacts.minAmps)} on.`,
        ),
      ]
    : [];
}
