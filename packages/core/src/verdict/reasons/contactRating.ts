import { say } from '../../messages/index.ts';
import type { Text } from '../../messages/index.ts';
import type { ContactRating } from '../../catalog/index.ts';
import { cannot, doubtful } from './reason.ts';
import type { Reason } from './reason.ts';

/**
 * What a contact says of what it carries: too much, too much at the start, or too little to stay clean.
 * @param name such as `K1 11-14`. @param amps A, running. @param inrush A, at the moment of closing.
 */
export function judgeContact(name: Text, contacts: ContactRating, amps: number, inrush: number): Reason[] {
  if (amps > contacts.amps)
    return [cannot('contact-rating', say('reason.contact-rating', { name, amps, amps2: contacts.amps }))];
  if (inrush > contacts.inrushAmps)
    return [
      cannot(
        'contact-rating',
        say('reason.contact-rating.inrush', { name, inrush, inrushAmps: contacts.inrushAmps }),
      ),
    ];
  return amps < contacts.minAmps
    ? [doubtful('contact-wetting', say('reason.contact-wetting', { name, amps, minAmps: contacts.minAmps }))]
    : [];
}
