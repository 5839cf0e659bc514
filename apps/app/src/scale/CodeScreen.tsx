import { refusalText } from '../data/refusalText';
import { textOf } from '@keypost/core/messages';
import {
  blockParameters,
  codeText,
  codeRequest,
  plcCode,
  plcOpenXml,
  unfitNumbers,
} from '@keypost/core/scaling';
import { JobProblem } from '@keypost/core/model';
import type { CodeKind, CodeRequest, PointChain } from '@keypost/core/scaling';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { fileName, saveFile } from '../data/saveFile';
import type { OpenPoint } from '../point/usePoint';
import { ShareButton } from '../tools/ShareButton';
import { Button } from '../ui/Button';
import { RadioGroup } from '../ui/RadioGroup';
import { Download } from '../ui/laterIcons';
import { useTokens } from '../ui/theme';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { ExecutionCard } from './ExecutionCard';
import { SweepCard } from './SweepCard';
import { ChainSubPage } from './ChainSubPage';
import { now } from '../data/now';

const KINDS: readonly { value: CodeKind; label: string; hint: string }[] = [
  { value: 'REAL', label: 'REAL', hint: 'single precision' },
  { value: 'LREAL', label: 'LREAL', hint: 'double precision' },
  { value: 'safe', label: 'Integer, safe', hint: 'rounded, no overflow' },
  { value: 'naive32', label: 'Integer, 32 bit', hint: 'as often written' },
  { value: 'naive16', label: 'Integer, 16 bit', hint: 'as often written' },
];

/** Code for the controller: text, files, and what it does at every count. */
export function CodeScreen() {
  return (
    <ChainSubPage title="Code for the controller">
      {(point, { made }) => <Code point={point} made={made} />}
    </ChainSubPage>
  );
}

function Code({ point, made }: { point: OpenPoint; made: PointChain }) {
  const [kind, setKind] = useState<CodeKind>('REAL');
  const { tag } = point.analysis.context.point;
  const request = useMemo(() => codeRequest(tag, made), [made, tag]);
  const block = blockParameters(request);
  return (
    <>
      <RadioGroup label="Kind" value={kind} onChange={setKind} options={KINDS} />
      <TextCard request={request} kind={kind} name={point.view.content.name} />
      <ExecutionCard key={kind} request={request} kind={kind} />
      <SweepCard point={point} />
      <Card title="Parameters of a scaling block">
        {!block && (
          <Row first>
            <Text as="body">
              A ready block scales along one straight line. This point has a table in force: use the code
              above.
            </Text>
          </Row>
        )}
        {block?.map(({ name, value }, i) => (
          <Row
            key={textOf(name)}
            first={i === 0}
            className="flex-row items-baseline justify-between gap-3 py-2"
          >
            <Text as="body">{textOf(name)}</Text>
            <Text as="number">{value}</Text>
          </Row>
        ))}
      </Card>
    </>
  );
}

function TextCard({ request, kind, name }: { request: CodeRequest; kind: CodeKind; name: string }) {
  const { ink } = useTokens();
  const made = useMemo(() => {
    try {
      const code = plcCode(request, kind);
      return { text: codeText(request, kind), fn: code.fn, unfit: unfitNumbers(code) };
    } catch (error) {
      if (error instanceof JobProblem) return refusalText(error);
      throw error;
    }
  }, [request, kind]);
  if (typeof made === 'string') return <Notice>{made}</Notice>;
  const xml = (): string => plcOpenXml(name, [made.fn], now());
  return (
    <Card title="Structured Text" aside={<Text as="small">IEC 61131-3</Text>}>
      <Row first className="gap-3">
        {made.unfit.length > 0 && <Notice>{made.unfit.map((message) => textOf(message)).join('\n')}</Notice>}
        <ScrollView horizontal tabIndex={0} role="region" aria-label="Text of the code">
          <Text as="mono" selectable className="text-[13px] leading-[19px] text-ink">
            {made.text.trimEnd()}
          </Text>
        </ScrollView>
        <View className="flex-row flex-wrap gap-3">
          <ShareButton title={`Scaling of ${request.tag}`} text={made.text} label="Share" />
          <Button
            label="Text file"
            icon={<Download size={20} color={ink} />}
            onPress={() => saveFile(fileName(`${request.tag} ${kind}`, 'st'), 'text/plain', made.text)}
          />
          <Button
            label="PLCopen XML"
            icon={<Download size={20} color={ink} />}
            onPress={() => saveFile(fileName(`${request.tag} ${kind}`, 'xml'), 'application/xml', xml())}
          />
        </View>
      </Row>
    </Card>
  );
}
