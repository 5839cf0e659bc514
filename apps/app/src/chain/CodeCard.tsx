import { textOf } from '@keypost/core/messages';
import type { Message } from '@keypost/core/messages';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { fileName } from '@keypost/core/lists';
import { saveFile } from '../data/saveFile';
import { ShareButton } from '../tools/ShareButton';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Download } from '../ui/laterIcons';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';
import { useTokens } from '../ui/theme';

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
  const { ink } = useTokens();
  const [room, setRoom] = useState(Infinity);
  const [long, setLong] = useState(0);
  const icon = <Download size={20} color={ink} />;
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
        <View className="flex-row flex-wrap gap-3">
          <ShareButton title={title} text={text} label="Share" />
          <Button
            label="Text file"
            icon={icon}
            onPress={() => saveFile(fileName(file, 'st'), 'text/plain', text)}
          />
          <Button
            label="PLCopen XML"
            icon={icon}
            onPress={() => saveFile(fileName(file, 'xml'), 'application/xml', xml())}
          />
        </View>
      </Row>
    </Card>
  );
}
