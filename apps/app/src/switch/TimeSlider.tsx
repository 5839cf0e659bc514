import { useTokens } from '../ui/theme';
import { clockText } from './times';

/** Moves the moment at which one looks, with a thumb or with the keys. */
export function TimeSlider({
  at,
  end,
  onChange,
}: {
  at: number;
  end: number;
  onChange: (at: number) => void;
}) {
  const { accent } = useTokens();
  return (
    <input
      type="range"
      aria-label="Moment"
      aria-valuetext={clockText(at)}
      min={0}
      max={end}
      step={end / 500}
      value={at}
      onChange={(event) => onChange(Number(event.target.value))}
      style={{ width: '100%', height: 44, accentColor: accent, margin: 0 }}
    />
  );
}
