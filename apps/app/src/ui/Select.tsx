import type { ComponentProps } from 'react';
import { ChooserField } from './Chooser';
import { PlainSelect } from './PlainSelect';

/** Of so many options the platform's own list is quick; more are found in a page of their own. */
const FEW = 8;

/** One of several: from the platform's own list, which a thumb and a keyboard both know, or found among many. */
export function Select(props: ComponentProps<typeof ChooserField>) {
  return props.options.length > FEW || props.sights ? (
    <ChooserField {...props} />
  ) : (
    <PlainSelect {...props} />
  );
}
