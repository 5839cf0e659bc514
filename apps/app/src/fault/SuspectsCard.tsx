import { goesOn } from '@keypost/core/fault';
import type { Suspect } from '@keypost/core/fault';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { guardsPeople } from './guardsPeople';
import { ShareRow } from './ShareRow';
import { SuspectDetail } from './SuspectDetail';
import type { SuspectOf } from './SuspectDetail';
import { allTexts, suspectText } from './suspectText';

/** So many stand in sight. */
const SHOWN = 5;
/** Less than this is not worth a line. */
const LEAST = 0.005;

/** What it can be, the likeliest first, each with its share. */
export function SuspectsCard(of: SuspectOf) {
  const { found, seen } = of;
  const [all, setAll] = useState(false);
  const [open, setOpen] = useState<string>();
  const left = found.filter(({ share }) => share >= LEAST);
  const shown = all ? left : left.slice(0, SHOWN);
  return (
    <Card
      title="Suspects"
      aside={<Text as="small">{seen.length ? 'by what was seen' : 'before anything was seen'}</Text>}
    >
      <View role="list" aria-label="Suspects">
        {shown.map((suspect, i) => {
          const text = suspectText(suspect);
          return (
            <Row key={text} first={i === 0}>
              <One
                {...of}
                suspect={suspect}
                open={open === text}
                onToggle={() => setOpen(open === text ? undefined : text)}
              />
            </Row>
          );
        })}
      </View>
      {left.length > SHOWN && (
        <Row>
          <Button label={all ? 'Fewer' : `${left.length - SHOWN} more`} onPress={() => setAll(!all)} />
        </Row>
      )}
    </Card>
  );
}

function One({
  suspect,
  open,
  onToggle,
  ...of
}: SuspectOf & { suspect: Suspect; open: boolean; onToggle: () => void }) {
  const [first = '', ...others] = allTexts(suspect);
  const stopsNothing = guardsPeople(of.point) && suspect.rows.some((row) => goesOn(of.dictionary, row));
  return (
    <ShareRow
      text={first}
      share={suspect.share}
      open={open}
      onToggle={onToggle}
      below={<SuspectDetail {...of} suspect={suspect} />}
    >
      {stopsNothing && <Text as="fail">With this it does not stop.</Text>}
      {others.map((text, i) => (
        <Text key={i} as="small">{`or: ${text}`}</Text>
      ))}
    </ShareRow>
  );
}
