import { fileName } from '@keypost/core/lists';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { saveFile } from '../data/saveFile';
import { Button } from '../ui/Button';
import { Download } from '../ui/laterIcons';
import { useTokens } from '../ui/theme';

/** The ways of code into files: as text, and as PLCopen XML. */
export function CodeFiles({
  file,
  text,
  xml,
  children,
}: {
  /** What they are called, without their ending. */
  file: string;
  text: () => string;
  xml: () => string;
  children?: ReactNode;
}) {
  const { ink } = useTokens();
  const icon = <Download size={20} color={ink} />;
  return (
    <View className="flex-row flex-wrap gap-3">
      {children}
      <Button
        label="Text file"
        icon={icon}
        onPress={() => saveFile(fileName(file, 'st'), 'text/plain', text())}
      />
      <Button
        label="PLCopen XML"
        icon={icon}
        onPress={() => saveFile(fileName(file, 'xml'), 'application/xml', xml())}
      />
    </View>
  );
}
