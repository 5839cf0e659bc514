import { textOf } from '@keypost/core/messages';
import { findTool, resultText } from '@keypost/core/tools';
import type { Tool } from '@keypost/core/tools';
import { useGlobalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Beside } from '../ui/Beside';
import { Button } from '../ui/Button';
import { NotFoundScreen } from '../ui/NotFoundScreen';
import { PageHead, Screen } from '../ui/Screen';
import { Text } from '../ui/Text';
import { SendToPoint } from './SendToPoint';
import { ShareButton } from './ShareButton';
import { ToolFields } from './ToolFields';
import { ToolOutcome } from './ToolOutcome';
import { useTool } from './useTool';

/** One tool of the drawer. */
export function ToolScreen() {
  const { toolId } = useGlobalSearchParams();
  const tool = findTool(Array.isArray(toolId) ? (toolId[0] ?? '') : (toolId ?? ''));
  return tool ? <InUse key={tool.id} tool={tool} /> : <NotFoundScreen />;
}

function InUse({ tool }: { tool: Tool }) {
  const use = useTool(tool);
  const [sending, setSending] = useState(false);
  // What follows from an example is nobody's result: it is neither shared nor sent.
  const result = use.isExample ? undefined : use.result;
  return (
    <Screen
      pair
      head={<PageHead title={textOf(tool.name)} back="/tools" />}
      dock={
        result && (
          <View className="border-t-[1.5px] border-edge bg-plate px-4 py-3">
            <Text as="number" className="text-center">
              {textOf(result.title)}
            </Text>
          </View>
        )
      }
    >
      <Text as="soft">{textOf(tool.hint)}</Text>
      <Beside
        left={<ToolOutcome use={use} />}
        right={
          <>
            <ToolFields use={use} />
            <View className="gap-3">
              {result && (
                <ShareButton title={textOf(tool.name)} text={resultText(tool, use.values, result)} />
              )}
              {result && !sending && (
                <Button label="Send to a point" kind="main" onPress={() => setSending(true)} />
              )}
              {result && sending && <SendToPoint tool={tool} values={use.values} result={result} />}
              <Button label="Begin anew" kind="bare" onPress={use.reset} />
            </View>
          </>
        }
      />
    </Screen>
  );
}
