import type { Suspect } from '@keypost/core/fault';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { useTokens } from '../ui/theme';
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
  const { line, accent } = useTokens();
  const texts = allTexts(suspect);
  const percent = Math.round(100 * suspect.share);
  return (
    <View role="listitem" className="gap-1">
      <View className="flex-row items-baseline justify-between gap-3">
        <Text as="strong" className="min-w-0 flex-1">
          {texts[0]}
        </Text>
        <Text as="number">{percent < 1 ? '< 1 %' : `${percent} %`}</Text>
      </View>
      <View style={{ height: 6, borderRadius: 3, backgroundColor: line }}>
        <View style={{ height: 6, borderRadius: 3, backgroundColor: accent, width: `${percent}%` }} />
      </View>
      {texts.slice(1).map((text, i) => (
        <Text key={i} as="small">{`or: ${text}`}</Text>
      ))}
    </View>
  );
}
