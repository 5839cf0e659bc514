import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import { stepsTo } from '@keypost/core/setting';
import type { Sheet } from '@keypost/core/setting';
import { useRef, useState } from 'react';
import { mutate } from 'swr';
import { keys } from '../data/jobs';
import { server } from '../data/server';
import { whoActs } from '../data/who';
import { asProblem } from '../data/asProblem';

/** What happens between the server and a device: reading it, sending it what differs. */
export interface DeviceTalk {
  readonly busy?: 'reading' | 'sending';
  /** How far sending is: how many of how many were read back. */
  readonly sent?: { readonly done: number; readonly all: number };
  /** Why it stopped, or what was refused, a line each. */
  readonly lines: readonly string[];
  /** The device went away before all was done; what was kept stays, and it can go on. */
  readonly stopped: boolean;
  readonly read: () => Promise<void>;
  readonly send: () => Promise<void>;
  readonly stop: () => void;
}

export function useDevice(view: JobView, sheet: Sheet): DeviceTalk {
  const [state, setState] = useState<Pick<DeviceTalk, 'busy' | 'sent' | 'lines' | 'stopped'>>({
    lines: [],
    stopped: false,
  });
  const stopping = useRef(false);
  const params = { jobId: view.id, itemId: sheet.itemId };
  const fresh = () => mutate(keys.job(view.id));
  const read = async (): Promise<void> => {
    const by = await whoActs();
    if (by === undefined) return;
    setState({ busy: 'reading', lines: [], stopped: false });
    try {
      const list = sheet.lines.map(({ parameter }) => parameter.key);
      const { values, refused, away } = await server('readItem', { params, body: { by, keys: list } });
      await fresh();
      const words = `${Object.keys(values).length} of ${list.length} values read.`;
      setState({
        lines: [
          textOf(away ?? words),
          ...refused.slice(0, 3).map(({ key, message }) => `${labelOf(sheet, key)}: ${textOf(message)}`),
        ],
        stopped: away !== undefined,
      });
    } catch (error) {
      setState({ lines: [textOf(asProblem(error).details.message)], stopped: true });
    }
  };
  const send = async (): Promise<void> => {
    const by = await whoActs();
    if (by === undefined) return;
    stopping.current = false;
    const steps = stepsTo(sheet.lines);
    const lines: string[] = [];
    let done = 0;
    let away = false;
    for (const { key, value, label } of steps) {
      setState({ busy: 'sending', sent: { done, all: steps.length }, lines, stopped: false });
      if (stopping.current) break;
      try {
        const outcome = await server('writeParameter', { params, body: { by, key, value } });
        if (outcome.kept) done++;
        else lines.push(`${textOf(label)}: ${textOf(outcome.problem?.message ?? 'not kept')}`);
        away = outcome.problem?.kind === 'away';
      } catch (error) {
        lines.push(textOf(asProblem(error).details.message));
        away = true;
      }
      if (away) break;
    }
    await fresh();
    const rest = steps.length - done;
    setState({
      sent: { done, all: steps.length },
      lines: [`${done} of ${steps.length} written and read back.`, ...lines],
      stopped: rest > 0 && (away || stopping.current),
    });
  };
  return { ...state, read, send, stop: () => void (stopping.current = true) };
}

const labelOf = ({ lines }: Sheet, key: string): string =>
  lines.find(({ parameter }) => parameter.key === key)?.parameter.label ?? key;
