import { sure } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { findTool, resultText } from '@keypost/core/tools';
import type { ToolValues } from '@keypost/core/tools';
import type { SingleChange } from '@keypost/core/job';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { sendChanges } from './SendToPoint';
import { ShareButton } from './ShareButton';
import { ToolFields } from './ToolFields';
import { ToolOutcome } from './ToolOutcome';
import { useTool } from './useTool';
import type { ToolInUse } from './useTool';

/** A tool with a point's own numbers; its result is kept at that point. */
export function ToolCard({
  point,
  toolId,
  given,
  keep = 'Keep it at the point',
  more,
  head,
  use: taken,
}: {
  point: OpenPoint;
  toolId: string;
  given: ToolValues;
  /** What is done with the result, on its button. */
  keep?: string;
  /** Changes besides those of the tool itself. */
  more?: (values: ToolValues) => SingleChange[];
  /** Stands above its fields, such as what fills them. */
  head?: (use: ToolInUse) => ReactNode;
  /** Does something with the number that it gives. */
  use?: { readonly label: string; readonly onUse: (number: number) => void };
}) {
  const tool = sure(findTool(toolId));
  const use = useTool(tool, given);
  const saver = useSave(point.view);
  const [kept, setKept] = useState(false);
  const { result } = use;
  const store = () => {
    if (!result) return;
    const changes = [
      ...sendChanges(tool, use.values, result, point.index, point.analysis.context.point.id),
      ...(more?.(use.values) ?? []),
    ];
    void saver.save({ kind: 'batch', changes }, { then: () => setKept(true) });
  };
  return (
    <Card title={textOf(tool.name)}>
      <Row first className="gap-4">
        <ToolOutcome use={use} />
        {head?.(use)}
        <ToolFields use={use} />
        {taken && result?.gives !== undefined && (
          <Button label={taken.label} onPress={() => taken.onUse(sure(result.gives))} />
        )}
        <SaveNotice saver={saver} />
        <Button label={keep} kind="main" disabled={!result} waiting={saver.saving} onPress={store} />
        {kept && (
          <Text as="small" role="status">
            Kept at the point.
          </Text>
        )}
        {result && <ShareButton title={textOf(tool.name)} text={resultText(tool, use.values, result)} />}
      </Row>
    </Card>
  );
}
