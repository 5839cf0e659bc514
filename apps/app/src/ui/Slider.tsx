import { useTokens } from './theme';

/** Moves a number with a thumb or with the keys. */
export function Slider({
  label,
  says,
  low,
  high,
  steps = 200,
  value,
  onChange,
}: {
  label: string;
  /** Read aloud in place of the number. */
  says?: string;
  low: number;
  high: number;
  /** So many from one end to the other. */
  steps?: number;
  value: number;
  onChange: (value: number) => void;
}) {
  const { accent } = useTokens();
  return (
    <input
      type="range"
      aria-label={label}
      aria-valuetext={says}
      min={low}
      max={high}
      step={(high - low) / steps}
      value={value}
      onChange={(event) => onChange(Number(event.target.value))}
      style={{ width: '100%', height: 44, accentColor: accent, margin: 0 }}
    />
  );
}
