import { textOf } from '@keypost/core/messages';
import { scaled } from '@keypost/core/ioLink';
import type { ChosenValue } from '@keypost/core/scaling';
import { withUnit } from '@keypost/core/units';
import { View } from 'react-native';
import { placeOf, useArriving } from '../chain/arriving';
import type { Place } from '../chain/arriving';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { LiveValue } from '../ui/LiveValue';
import { Text } from '../ui/Text';
import { grouped } from '../chain/chainText';

interface Of {
  readonly point: OpenPoint;
  readonly data: ChosenValue;
  /** Does something with the raw number that stands there now. */
  readonly onTake?: (raw: number) => void;
}

/** What arrives at this moment, where its master or unit can be asked. */
export function ArrivesNow(of: Of) {
  const place = placeOf(of.point, of.data);
  if (!place)
    return <Text as="small">Its master or line has no address here, so nothing is read from it.</Text>;
  return <Now {...of} place={place} />;
}

/** A number never stands without the word that it counts, or why not. */
function Now({ point, data, onTake, place }: Of & { place: Place }) {
  const { by, asked, sent, away, flag, raw } = useArriving(point, data, place);
  if (asked)
    return <Text as="small">{by === 'master' ? 'Its master is asked …' : 'Its line is asked …'}</Text>;
  const { value, line } = data;
  return (
    <View className="gap-2" role="group" aria-label="What arrives now">
      <LiveValue name="Now" text={by === 'master' ? 'connected and valid' : 'answers'} flag={textOf(flag)} />
      {sent !== '' && <LiveValue name={value.record ? 'Bytes' : 'Registers'} text={sent} />}
      {raw !== undefined && away === undefined && <LiveValue name="Raw" text={grouped(raw)} />}
      {raw !== undefined && flag === undefined && (
        <LiveValue name={value.name} text={withUnit(scaled(raw, line), line.unit, 7)} />
      )}
      {raw !== undefined && flag === undefined && onTake && (
        <Button label="Show the chain at this" onPress={() => onTake(raw)} />
      )}
    </View>
  );
}
