import { COLOURS } from '@keypost/core/model';
import { refText } from '@keypost/core/job';
import type { AsFound, Wire, WireColour } from '@keypost/core/model';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { WireForm } from '../job/WireForm';
import { WIRE_HEX } from '../drawing/wireColours';
import { terminalOptions } from '../point/terminalOptions';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { RadioGroup } from '../ui/RadioGroup';
import { Select } from '../ui/Select';
import { useShownUnits, wireSize } from '../ui/shownUnits';
import { Text } from '../ui/Text';
import { WirePlan } from './WirePlan';

/** One wire of the plan; open it to say how it was found, or to change the plan itself. */
export function WireRow({
  point,
  wire,
  first,
  open,
  onToggle,
}: {
  point: OpenPoint;
  wire: Wire;
  first: boolean;
  open: boolean;
  onToggle: () => void;
}) {
  const { index } = point;
  const system = useShownUnits();
  const ends = `${refText(index, wire.from)} to ${refText(index, wire.to)}`;
  return (
    <View className={first ? '' : 'border-t border-line'}>
      <Pressable
        role="button"
        aria-label={`Wire ${wire.number}, ${wire.colour}, ${ends}`}
        aria-expanded={open}
        onPress={onToggle}
        className={`min-h-[56px] flex-row items-center gap-3 px-4 py-2 active:bg-wash ${open ? 'bg-wash' : ''}`}
      >
        <WireSwatch colour={wire.colour} />
        <View className="min-w-0 flex-1">
          <Text as="strong">{ends}</Text>
          <Text as="small">
            {`number ${wire.number}, ${wireSize(wire, system).join(', ')}${wire.cable ? `, cable ${wire.cable}${wire.core ? ` core ${wire.core}` : ''}` : ''}`}
          </Text>
        </View>
        {wire.asFound && (
          <Text as="fail" className="text-wait">
            other
          </Text>
        )}
      </Pressable>
      {open && (
        <View className="gap-5 px-4 pb-4 pt-2">
          <FoundForm key={JSON.stringify(wire.asFound ?? null)} point={point} wire={wire} onDone={onToggle} />
          <WirePlan point={point} wire={wire} />
          <LeadElsewhere point={point} wire={wire} onDone={onToggle} />
        </View>
      )}
    </View>
  );
}

/** The plan changed: the wire goes to another terminal, or is there no more. */
function LeadElsewhere({ point, wire, onDone }: { point: OpenPoint; wire: Wire; onDone: () => void }) {
  const [isOpen, setOpen] = useState(false);
  if (!isOpen) return <Button label="Lead it elsewhere, or take it away" onPress={() => setOpen(true)} />;
  return <WireForm view={point.view} wire={wire} onDone={onDone} />;
}

/** The letters of a colour on the colour itself. */
export function WireSwatch({ colour }: { colour: WireColour }) {
  const dark = colour !== 'WH' && colour !== 'YE' && colour !== 'PK';
  return (
    <View
      className="h-[30px] w-[48px] items-center justify-center rounded-[6px] border-fine border-edge"
      style={{ backgroundColor: WIRE_HEX[colour] }}
    >
      <Text
        as="small"
        className="font-figurebold text-[0.8125rem]"
        style={{ color: dark ? '#FFFFFF' : '#1C201D' }}
      >
        {colour}
      </Text>
    </View>
  );
}

function FoundForm({ point, wire, onDone }: { point: OpenPoint; wire: Wire; onDone: () => void }) {
  const saver = useSave(point.view);
  const { asFound } = wire;
  const [missing, setMissing] = useState(asFound?.missing ? 'missing' : 'there');
  const [from, setFrom] = useState(asFound?.from ?? wire.from);
  const [to, setTo] = useState(asFound?.to ?? wire.to);
  const [colour, setColour] = useState<WireColour>(asFound?.colour ?? wire.colour);
  const options = terminalOptions(point.analysis.context);
  const store = () => {
    const found: AsFound =
      missing === 'missing'
        ? { missing: true }
        : {
            ...(from !== wire.from && { from }),
            ...(to !== wire.to && { to }),
            ...(colour !== wire.colour && { colour }),
          };
    const as = Object.keys(found).length ? found : null;
    void saver.save({ kind: 'landWire', wireId: wire.id, asFound: as }, { then: onDone });
  };
  return (
    <View className="gap-4">
      <RadioGroup
        label="As found in the panel"
        value={missing}
        onChange={setMissing}
        options={[
          { value: 'there', label: 'It is there' },
          { value: 'missing', label: 'It is missing' },
        ]}
      />
      {missing === 'there' && (
        <>
          <Select label="It begins on" value={from} options={options} onChange={setFrom} />
          <Select label="It ends on" value={to} options={options} onChange={setTo} />
          <Select
            label="Its colour"
            value={colour}
            options={COLOURS.map((value) => ({ value, label: value }))}
            onChange={(value) => setColour(value as WireColour)}
          />
        </>
      )}
      <SaveNotice saver={saver} />
      <Button label="Store as found" kind="main" waiting={saver.saving} onPress={store} />
    </View>
  );
}
