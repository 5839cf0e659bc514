import type { Suspect } from '@keypost/core/fault';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { ShareRow } from './ShareRow';
import { allTexts, suspectText } from './suspectText';

/** So many stand in sight. */
const SHOWN = 5;
/** Less than this is not worth a line. */
const LEAST = 0.005;

/** What it can be, the likeliest first, each with its share. */
export function SuspectsCard({ found, hasSeen }: { found: readonly Suspect[]; hasSeen: boolean }) {
  const [all, setAll] = useState(false);
  const left = found.filter(({ share }) => share >= LEAST);
  const shown = all ? left : left.slice(0, SHOWN);
  return (
    <Card
      title="Suspects"
      aside={<Text as="small">{hasSeen ? 'by what was seen' : 'before anything was seen'}</Text>}
    >
      <View role="list" aria-label="Suspects">
        {shown.map((suspect, i) => (
          <Row key={suspectText(suspect)} first={i === 0}>
            <One suspect={suspect} />
          </Row>
        ))}
      </View>
      {left.length > SHOWN && (
        <Row>
          <Button label={all ? 'Fewer' : `${left.length - SHOWN} more`} onPress={() => setAll(!all)} />
        </Row>
      )}
    </Card>
  );
}

function One({ suspect }: { suspect: Suspect }) {
  const [first = '', ...others] = allTexts(suspect);
  return (
    <ShareRow text={first} share={suspect.share}>
      {others.map((text, i) => (
        <Text key={i} as="small">{`or: ${text}`}</Text>
      ))}
    </ShareRow>
  );
}
