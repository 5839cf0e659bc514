import { Slider } from '../ui/Slider';
import { clockText } from './times';

/** Moves the moment at which one looks. */
export function TimeSlider({
  at,
  end,
  onChange,
}: {
  at: number;
  end: number;
  onChange: (at: number) => void;
}) {
  return (
    <Slider
      label="Moment"
      says={clockText(at)}
      low={0}
      high={end}
      steps={500}
      value={at}
      onChange={onChange}
    />
  );
}
