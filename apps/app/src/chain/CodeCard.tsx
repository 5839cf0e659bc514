import { textOf } from '@keypost/core/messages';
import type { Message } from '@keypost/core/messages';
import { useState } from 'react';
import { ScrollView } from 'react-native';
import { ShareButton } from '../tools/ShareButton';
import { Card, Row } from '../ui/Card';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';
import { CodeFiles } from './CodeFiles';

/** Structured Text with its ways out: shared, as a text file, and as PLCopen XML. */
export function CodeCard({
  title,
  file,
  text,
  unfit = [],
  xml,
}: {
  title: string;
  /** What its files are called, without their ending. */
  file: string;
  text: string;
  /** Numbers that their types cannot hold. */
  unfit?: readonly Message[];
  xml: () => string;
}) {
  const [room, setRoom] = useState(Infinity);
  const [long, setLong] = useState(0);
  return (
    <Card title="Structured Text" aside={<Text as="small">IEC 61131-3</Text>}>
      <Row first className="gap-3">
        {unfit.length > 0 && <Notice>{unfit.map((message) => textOf(message)).join('\n')}</Notice>}
        <ScrollView
          horizontal
          tabIndex={0}
          role="region"
          aria-label="Text of the code"
          onLayout={({ nativeEvent }) => setRoom(nativeEvent.layout.width)}
          onContentSizeChange={setLong}
        >
          <Text as="mono" selectable className="text-[0.8125rem] leading-[1.1875rem] text-ink">
            {text.trimEnd()}
          </Text>
        </ScrollView>
        {long > room + 1 && <Text as="small">Lines go on to the right: move the text sideways.</Text>}
        <CodeFiles file={file} text={() => text} xml={xml}>
          <ShareButton title={title} text={text} label="Share" />
        </CodeFiles>
      </Row>
    </Card>
  );
}
