import { figureText, namedFigures, withFigures } from '@keypost/core/catalog';
import type { DeviceDescription, Figure, ModuleDescription, NamedFigure } from '@keypost/core/catalog';
import { convert } from '@keypost/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { FigureForm } from '../parts/FigureForm';
import type { EnteredFigure } from '../parts/FigureForm';
import { dropDraft } from '../data/drafts';
import { Button } from '../ui/Button';
import { FormActions } from '../ui/FormActions';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** The figures of a kind, each with where it comes from; each can be given otherwise. */
export function DescriptionFigures<T extends DeviceDescription | ModuleDescription>({
  description,
  onChange,
}: {
  description: T;
  onChange: (description: T) => void;
}) {
  const [asked, setAsked] = useState<string>();
  const put = (path: string, figure: Figure) => {
    onChange(withFigures(description, { [path]: figure }));
    setAsked(undefined);
  };
  return (
    <Card title="Figures">
      {namedFigures(description).map((named, i) => (
        <Row key={named.path} first={i === 0} className="gap-2">
          <View className="flex-row items-start justify-between gap-3">
            <View className="min-w-0 flex-1">
              <Text as="strong">{named.label}</Text>
              <Text as="body">{figureText(named.figure)}</Text>
              <Text as="small">{named.figure.source}</Text>
            </View>
            {asked !== named.path && (
              <Button label="Change" kind="bare" onPress={() => setAsked(named.path)} />
            )}
          </View>
          {asked === named.path && (
            <ChangeFigure
              name={`figure.${description.id}.${named.path}`}
              named={named}
              onFigure={(figure) => put(named.path, figure)}
              onCancel={() => setAsked(undefined)}
            />
          )}
        </Row>
      ))}
    </Card>
  );
}

function ChangeFigure({
  name,
  named: { figure },
  onFigure,
  onCancel,
}: {
  name: string;
  named: NamedFigure;
  onFigure: (figure: Figure) => void;
  onCancel: () => void;
}) {
  const { unit, source } = figure;
  const left = (then: () => void) => () => {
    dropDraft(name);
    then();
  };
  return (
    <FigureForm
      typical={figure}
      own={{ ...figure, from: source }}
      name={name}
      foot={(store) => (
        <FormActions label="Take it" waiting={false} onStore={store} onCancel={left(onCancel)} />
      )}
      onFigure={(entered) => left(() => onFigure(inUnit(entered, unit)))()}
    />
  );
}

/** What was entered in the unit of the description. */
function inUnit({ unit, from, ...values }: EnteredFigure, wanted: string): Figure {
  const turned = Object.entries(values).map(([name, value]) => [
    name,
    Number((convert(value, unit, wanted) ?? value).toPrecision(12)),
  ]);
  return { ...Object.fromEntries(turned), unit: wanted, source: from };
}
