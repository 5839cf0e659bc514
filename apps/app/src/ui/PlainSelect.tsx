import { FONTS } from './fonts';
import { useId } from 'react';
import { View } from 'react-native';
import type { Choice } from './choices';
import { useTokens } from './theme';
import { Text } from './Text';

/** One of a few, from the platform's own list. */
export function PlainSelect({
  label,
  value,
  options,
  onChange,
  problem,
  hint,
}: {
  label: string;
  value: string;
  options: readonly Choice[];
  onChange: (value: string) => void;
  problem?: string;
  hint?: string;
}) {
  const id = useId();
  const { plate, ink, rim, fail } = useTokens();
  const groups = [...new Set(options.map(({ group }) => group ?? ''))];
  const option = (o: { value: string; label: string }) => (
    <option key={o.value} value={o.value}>
      {o.label}
    </option>
  );
  return (
    <View className="gap-1.5">
      <Text as="strong">{label}</Text>
      <select
        id={id}
        aria-label={label}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        style={{
          minHeight: 48,
          width: '100%',
          borderRadius: 11,
          border: `1.5px solid ${problem ? fail : rim}`,
          backgroundColor: plate,
          color: ink,
          fontFamily: FONTS.words,
          fontSize: '1.0625rem',
          padding: '8px 12px',
        }}
      >
        {groups.map((group) =>
          group ? (
            <optgroup key={group} label={group}>
              {options.filter((o) => o.group === group).map(option)}
            </optgroup>
          ) : (
            options.filter((o) => !o.group).map(option)
          ),
        )}
      </select>
      {problem ? <Text as="fail">{problem}</Text> : hint && <Text as="small">{hint}</Text>}
    </View>
  );
}
