import * as Checkbox from '@rn-primitives/checkbox';
import type { ReactNode } from 'react';
import { Text } from './Text';

/** How an option that stands in sight is boxed. */
export const tileBox = (isOn: boolean): string =>
  `min-h-[48px] max-w-full justify-center rounded-plate border-fine px-4 py-1.5 ${isOn ? 'border-ink bg-ink' : 'border-rim bg-plate'}`;

/** What stands in it. */
export function TileText({ label, hint, isOn }: { label: string; hint?: string; isOn: boolean }) {
  return (
    <>
      <Text as="strong" className={isOn ? 'text-plate' : ''}>
        {label}
      </Text>
      {hint && (
        <Text as="small" className={isOn ? 'text-plate opacity-80' : ''}>
          {hint}
        </Text>
      )}
    </>
  );
}

/** What is ticked or not, by pressing it or by the space bar. */
export function Tick({
  label,
  isOn,
  onPress,
  className,
  children,
}: {
  label: string;
  isOn: boolean;
  onPress: () => void;
  className: string;
  children: ReactNode;
}) {
  return (
    <Checkbox.Root checked={isOn} onCheckedChange={onPress} aria-label={label} className={className}>
      {children}
    </Checkbox.Root>
  );
}

/** One of the options in sight of which some are taken. */
export function OptionTile({
  label,
  hint,
  isOn,
  onPress,
}: {
  label: string;
  hint?: string;
  isOn: boolean;
  onPress: () => void;
}) {
  return (
    <Tick label={label} isOn={isOn} onPress={onPress} className={tileBox(isOn)}>
      <TileText label={label} hint={hint} isOn={isOn} />
    </Tick>
  );
}
