import { sure } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import { lineText, portPlan } from '@keypost/core/setting';
import type { JobIndex } from '@keypost/core/job';
import type { Numbering, PortAddress } from '@keypost/core/ioLink';
import type { PlannedPort } from '@keypost/core/setting';
import { useGlobalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { DescriptionChoice } from '../job/DescriptionChoice';
import { SheetCard } from '../set/SheetCard';
import { MasterTalk } from './MasterTalk';
import { LinkField } from './LinkField';
import { Button } from '../ui/Button';
import { RadioGroup } from '../ui/RadioGroup';
import { StatusIcon } from '../ui/StatusIcon';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { BusPage } from './BusPage';

const NUMBERINGS: readonly { value: Numbering; label: string }[] = [
  { value: 'byte', label: 'Bytes' },
  { value: 'word', label: 'Words' },
  { value: 'register', label: 'Registers' },
];

/** How each port of an IO-Link master is to be run, and where its data lies. */
export function PortPlanScreen() {
  const { moduleId } = useGlobalSearchParams<{ moduleId: string }>();
  return (
    <BusPage title="Port plan" back="/buses">
      {(view, index) =>
        index.module(moduleId) ? (
          <Ports view={view} index={index} moduleId={moduleId} />
        ) : (
          <Notice>This master is not in the panel any more.</Notice>
        )
      }
    </BusPage>
  );
}

function Ports({ view, index, moduleId }: { view: JobView; index: JobIndex; moduleId: string }) {
  const [numbering, setNumbering] = useState<Numbering>('byte');
  const wide = useWide();
  const module = sure(index.module(moduleId));
  const ports = useMemo(() => portPlan(index, moduleId), [index, moduleId]);
  return (
    <>
      <Text as="head">{`${module.tag}  ${index.typeOf(moduleId).name}`}</Text>
      <View className={wide ? 'flex-row items-start gap-4' : 'gap-4'}>
        <View className={wide ? 'flex-1 gap-4' : 'gap-4'}>
          <LinkField
            value={module.link}
            hint="where the master answers over HTTP"
            change={(link) => ({ kind: 'editModule', id: moduleId, patch: { link } })}
            view={view}
          />
          {module.link && <MasterTalk view={view} index={index} moduleId={moduleId} />}
        </View>
        <View className={wide ? 'flex-1' : ''}>
          <RadioGroup
            label="Addresses in the controller counted in"
            value={numbering}
            onChange={setNumbering}
            options={NUMBERINGS}
          />
        </View>
      </View>
      <View className={wide ? 'flex-row flex-wrap items-start gap-4' : 'gap-4'}>
        {ports.map((port) => (
          <View key={port.name} className={wide ? 'min-w-[420px] flex-1' : ''}>
            <PortCard view={view} port={port} numbering={numbering} />
          </View>
        ))}
      </View>
    </>
  );
}

function PortCard({ view, port, numbering }: { view: JobView; port: PlannedPort; numbering: Numbering }) {
  const [open, setOpen] = useState(false);
  const { number, portClass, device, point, known, sheet, bytes, cycle, message, problem } = port;
  const differ = sheet.lines.filter(({ state }) => state === 'differs').length;
  const left = sheet.lines.filter(({ required, state }) => required && state !== 'done').length;
  const mode = sheet.lines.find(({ parameter }) => parameter.key.endsWith('.mode'));
  return (
    <Card
      title={`Port ${number}, class ${portClass}`}
      aside={<StatusIcon kind={differ ? 'failed' : left ? 'open' : 'proven'} size={22} />}
    >
      <Row first className="gap-2">
        <View className="flex-row items-baseline justify-between gap-3">
          <Text as="strong" className="flex-1">
            {point ? `${point.tag}  ${point.name}` : 'Nothing on it'}
          </Text>
          <Text as="number">{mode?.required ? lineText(mode, mode.required.value) : ''}</Text>
        </View>
        {problem && (
          <Text as="small" className="font-wordsemi text-wait">
            {textOf(problem)}
          </Text>
        )}
        {device && <DescriptionChoice view={view} device={device} />}
        {known && (
          <>
            <Pair label="Data" value={`${bytes.input} in, ${bytes.output} out, 1 qualifier`} />
            <Pair label="Cycle" value={`${cycle} ms at ${known.description.bitrate}`} />
            <Pair label="A message takes" value={`${sure(message).toFixed(1)} ms`} />
            <Addresses address={port.addresses[numbering]} />
          </>
        )}
        <Button
          label={open ? 'Close its settings' : `Settings of port ${number}`}
          onPress={() => setOpen(!open)}
        />
      </Row>
      {open && (
        <View className="p-3">
          <SheetCard view={view} sheet={sheet} arranged="order" />
        </View>
      )}
    </Card>
  );
}

function Pair({ label, value }: { label: string; value: string }) {
  return (
    <View className="flex-row justify-between gap-3">
      <Text as="small">{label}</Text>
      <Text as="mono" className="text-ink">
        {value}
      </Text>
    </View>
  );
}

function Addresses({ address }: { address: PortAddress | undefined }) {
  if (!address) return null;
  const span = (first?: string, last?: string) => (first === last ? (first ?? '') : `${first} to ${last}`);
  return (
    <>
      {address.firstIn && <Pair label="From the device" value={span(address.firstIn, address.lastIn)} />}
      {address.firstOut && <Pair label="To the device" value={span(address.firstOut, address.lastOut)} />}
      {address.qualifier && <Pair label="Qualifier" value={address.qualifier} />}
    </>
  );
}
