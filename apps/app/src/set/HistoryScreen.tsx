import { lastOf, nth } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { differencesBetween, leftBefore, momentsOf, sheetsOf, stepsTo } from '@keypost/core/setting';
import type { Sheet } from '@keypost/core/setting';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Caution } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { SheetFiles } from './SheetFiles';
import { dateAndTime } from '../ui/dates';

/** What was found and left when; what differs between two dates; the steps that put a sheet back. */
export function HistoryScreen() {
  return <PointSubPage title="History of settings">{(point) => <History point={point} />}</PointSubPage>;
}

function History({ point }: { point: OpenPoint }) {
  const sheets = useMemo(() => sheetsOf(point.index, point.analysis.context.point.id), [point]);
  const own = sheets.filter(({ itemId }) => momentsOf(point.index, itemId).length > 0);
  return (
    <>
      {own.length === 0 && <Text as="soft">Nothing was found or left here yet.</Text>}
      {own.map((sheet) => (
        <OneHistory key={sheet.itemId} point={point} sheet={sheet} />
      ))}
      <SheetFiles view={point.view} title={point.analysis.context.point.tag} sheets={sheets} />
    </>
  );
}

const dayOf = (at: string): string => dateAndTime(at);

function OneHistory({ point: { index }, sheet }: { point: OpenPoint; sheet: Sheet }) {
  const moments = momentsOf(index, sheet.itemId);
  const [older, setOlder] = useState(lastOf(moments).at);
  const [newer, setNewer] = useState(nth(moments, 0).at);
  const options = moments.map(({ at, by, count, side }) => ({
    value: at,
    label: `${dayOf(at)}  ${side === 'found' ? 'found' : 'left'} ${count} · ${by}`,
  }));
  const differences = differencesBetween(index, sheet.itemId, older, newer);
  return (
    <Card title={sheet.tag}>
      <Row first className="gap-4">
        <Select label="From" value={older} options={options} onChange={setOlder} />
        <Select label="To" value={newer} options={options} onChange={setNewer} />
        <Text as="strong">
          {differences.length === 0 ? 'Nothing differs' : `${differences.length} differ`}
        </Text>
        <View role="list" aria-label={`What differs at ${sheet.tag}`} className="gap-1.5">
          {differences.map(({ key, label, before = 'not known', after = 'not known' }) => (
            <View key={key} role="listitem" className="flex-row justify-between gap-3">
              <Text as="small" className="min-w-0 flex-1 text-ink">
                {textOf(label)}
              </Text>
              <Text
                as="mono"
                className="text-[0.875rem] text-ink"
              >{`${textOf(before)} → ${textOf(after)}`}</Text>
            </View>
          ))}
        </View>
      </Row>
      <PutBack index={index} sheet={sheet} at={newer} />
    </Card>
  );
}

/** The steps that give a device back what it had at a moment: after a swap, or a wrong button. */
function PutBack({ index, sheet, at }: { index: OpenPoint['index']; sheet: Sheet; at: string }) {
  const [shown, setShown] = useState(false);
  const had = leftBefore(index, sheet.itemId, at);
  const fresh = sheet.lines.map((line) => ({ ...line, present: undefined }));
  const steps = stepsTo(fresh, ({ parameter, required }) => had.get(parameter.key) ?? required?.value);
  if (!shown)
    return (
      <Row>
        <Button label={`Steps to put ${sheet.tag} back`} onPress={() => setShown(true)} />
      </Row>
    );
  return (
    <Row className="gap-2">
      <Text as="strong">{`Into a new device, in this order, as of ${dayOf(at)}`}</Text>
      <View role="list" aria-label="Steps to put it back" className="gap-1.5">
        {steps.map(({ key, label, to, caution }, i) => (
          <View key={key} role="listitem">
            <View className="flex-row gap-3">
              <Text as="number" className="w-[26px]">
                {String(i + 1)}
              </Text>
              <Text as="body" className="min-w-0 flex-1">
                {textOf(label)}
              </Text>
              <Text as="number">{textOf(to)}</Text>
            </View>
            {caution && <Caution>{textOf(caution)}</Caution>}
          </View>
        ))}
      </View>
    </Row>
  );
}
