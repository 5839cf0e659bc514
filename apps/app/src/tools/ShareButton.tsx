import { useState } from 'react';
import { Share2 } from '../ui/laterIcons';
import { Button } from '../ui/Button';
import { useTokens } from '../ui/theme';
import { Text } from '../ui/Text';
import { shareText } from './shareText';
import type { Shared } from './shareText';

const SAID: Readonly<Record<Shared, string>> = {
  shared: '',
  copied: 'Copied. Paste it where you want it.',
  neither: 'This browser lets nothing out. Mark the text below and copy it.',
};

/** Shares a text; where the browser does not let it out, shows it to be copied by hand. */
export function ShareButton({
  title,
  text,
  label = 'Share as text',
}: {
  title: string;
  text: string;
  label?: string;
}) {
  const { ink } = useTokens();
  const [came, setCame] = useState<Shared>();
  return (
    <>
      <Button
        label={label}
        icon={<Share2 size={20} color={ink} />}
        onPress={() => void shareText(title, text).then(setCame)}
      />
      {came && SAID[came] !== '' && (
        <Text as="small" role="status">
          {SAID[came]}
        </Text>
      )}
      {came === 'neither' && (
        <Text as="mono" selectable>
          {text}
        </Text>
      )}
    </>
  );
}
