import { figureText, namedFigures } from '@keypost/core/catalog';
import type { NamedFigure, PartType } from '@keypost/core/catalog';
import type { Device, Module, OwnFigure } from '@keypost/core/model';
import { useState } from 'react';
import { View } from 'react-native';
import { dropDraft } from '../data/drafts';
import { FormFoot } from '../data/FormFoot';
import { refusedField } from '../data/refusedField';
import { expecting } from '../data/useSave';
import type { Saver } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { FigureForm } from './FigureForm';
import type { EnteredFigure } from './FigureForm';
import { dateAndTime } from '../ui/dates';

type Part = Device | Module;

/** What the part's own datasheet says otherwise than is typical of its kind; everything is solved with it at once. */
export function FiguresCard({ point, part, saver }: { point: OpenPoint; part: Part; saver: Saver }) {
  const [open, setOpen] = useState(false);
  const own = Object.keys(part.figures ?? {}).length;
  const typical = typicalOf(point, part);
  const named = namedFigures(typical.description);
  if (!named.length) return null;
  const shown = open ? named : named.filter(({ path }) => part.figures?.[path]);
  return (
    <Card
      title={`Figures of ${part.tag}`}
      aside={
        <Button
          label={open ? 'Close' : own ? `All ${named.length}` : 'From its datasheet'}
          kind="bare"
          onPress={() => setOpen(!open)}
        />
      }
    >
      {!open && own === 0 && (
        <Row first>
          <Text as="small">All as is typical of its kind.</Text>
        </Row>
      )}
      {shown.map((figure, i) => (
        <FigureRow
          key={figure.path}
          point={point}
          part={part}
          figure={figure}
          saver={saver}
          first={i === 0}
        />
      ))}
    </Card>
  );
}

/** The kind of a part without the figures of its own datasheet. */
function typicalOf(
  { index }: OpenPoint,
  part: Part,
): PartType & { description: Parameters<typeof namedFigures>[0] } {
  const { figures: _, ...row } = part;
  return 'firstByte' in row ? index.types.module(row) : index.types.device(row);
}

/** What the part's own datasheet says, who read it and when. */
function Own({ figure }: { figure: OwnFigure }) {
  const when = dateAndTime(figure.at);
  return (
    <View>
      <Text as="number">{figureText({ ...figure, source: figure.from })}</Text>
      <Text as="small">{`${figure.from}; ${figure.by}, ${when}`}</Text>
    </View>
  );
}

function FigureRow({
  point,
  part,
  figure: { path, label, figure },
  saver,
  first,
}: {
  point: OpenPoint;
  part: Part;
  figure: NamedFigure;
  saver: Saver;
  first: boolean;
}) {
  const own = part.figures?.[path];
  const collection = 'firstByte' in part ? 'modules' : 'devices';
  // The row as it was when it was asked for: whoever stored meanwhile is told of.
  const [seen, setSeen] = useState<ReturnType<typeof expecting>>();
  const now = () => expecting(point.view, collection, part.id);
  const draft = `${point.view.id}.figure.${part.id}.${path}`;
  const done = () => {
    dropDraft(draft);
    setSeen(undefined);
  };
  const put = (entered: EnteredFigure | null) =>
    void saver.save(
      { kind: 'setFigure', itemId: part.id, path, figure: entered },
      { expects: seen ?? now(), then: done },
    );
  return (
    <Row first={first} className="gap-2">
      <View className="flex-row items-start justify-between gap-3">
        <View className="min-w-0 flex-1">
          <Text as="strong">{label}</Text>
          <Text as="small">{`${figureText(figure)}; ${figure.source}`}</Text>
        </View>
        {!seen && <Button label={own ? 'Change' : 'Enter'} kind="bare" onPress={() => setSeen(now())} />}
      </View>
      {own && <EnteredOwn figure={own} saver={saver} onBack={seen ? undefined : () => put(null)} />}
      {seen && (
        <FigureForm
          typical={figure}
          own={own}
          name={draft}
          refused={(field) => refusedField(saver, field)}
          foot={(store) => (
            <FormFoot view={point.view} saver={saver} label="Store" onStore={store} onDone={done} />
          )}
          onFigure={put}
        />
      )}
    </Row>
  );
}

/** A figure that was entered, and the way back to the typical one. */
function EnteredOwn({
  figure,
  saver,
  onBack,
}: {
  figure: OwnFigure;
  saver: Saver;
  onBack: (() => void) | undefined;
}) {
  return (
    <View className="gap-2">
      <Own figure={figure} />
      {onBack && <Button label="Back to the typical figure" waiting={saver.saving} onPress={onBack} />}
    </View>
  );
}
