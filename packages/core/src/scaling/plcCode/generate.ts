import { say } from '../../messages/index.ts';
import { refuse } from '../../model/index.ts';
import type { TablePoint } from '../../model/index.ts';
import { straight } from '../../sensing/index.ts';
import { COMMENT, constantsOf, pieces, rawType } from './codeRequest.ts';
import type { CodeKind, CodeRequest, PlcCode } from './codeRequest.ts';
import { integerCode } from './integerCode.ts';
import { assign, convertTo, identifier, minus, name, number, over, plus, times, when } from './program.ts';
import type { Expression, Statement } from './program.ts';

/** @throws JobProblem for a range of zero, or integers that its ends or points share, or integers of what needs reals. */
export function plcCode(request: CodeRequest, kind: CodeKind): PlcCode {
  straight(request.raw.low, request.value.low, request.raw.high, request.value.high);
  if (request.value.low === request.value.high) refuse(say('scaling.range-zero-scaled-two'));
  if (kind === 'REAL' || kind === 'LREAL') return realCode(request, kind);
  if (request.shape === 'root') refuse(say('scaling.square-root-worked-out'));
  return integerCode(request, kind);
}

function realTable(request: CodeRequest, kind: 'REAL' | 'LREAL'): PlcCode {
  const type = rawType(request.raw);
  const fn = `Scale_${identifier(request.tag)}`;
  const raw = convertTo(type, kind, name('Raw'));
  return {
    kind,
    factor: 1,
    constants: {},
    fn: {
      name: fn,
      returns: kind,
      comment: `Counts to ${request.value.unit}: ${COMMENT.table}, ${request.tag}.`,
      inputs: [{ name: 'Raw', type }],
      locals: [],
      body: pieces(request.table, name('Raw'), ({ from, to }) => [assign(fn, piece(raw, from, to))]),
    },
  };
}

function realCode(request: CodeRequest, kind: 'REAL' | 'LREAL'): PlcCode {
  if (request.shape === 'table') return realTable(request, kind);
  const type = rawType(request.raw);
  const fn = request.shape === 'root' ? 'ScaleRoot' : 'ScaleLinear';
  const share = over(
    minus(convertTo(type, kind, name('Raw')), name('RawLow')),
    minus(name('RawHigh'), name('RawLow')),
  );
  const lineOf = (of: Expression): Expression =>
    plus(times(of, minus(name('ValueHigh'), name('ValueLow'))), name('ValueLow'));
  const rooted: Statement[] = [
    assign('Share', share),
    {
      kind: 'if',
      branches: [
        {
          when: when(name('Share'), '>', number(0)),
          then: [assign('Share', { kind: 'root', of: name('Share') })],
        },
      ],
      otherwise: [assign('Share', number(0))],
    },
    {
      kind: 'if',
      branches: [{ when: when(name('Share'), '<', name('Cut')), then: [assign('Share', number(0))] }],
    },
    assign(fn, lineOf(name('Share'))),
  ];
  return {
    kind,
    factor: 1,
    constants: { ...constantsOf(request, 1), ...(request.shape === 'root' && { Cut: request.cut }) },
    fn: {
      returns: kind,
      comment: `Counts to value: ${COMMENT[request.shape]}.`,
      name: fn,
      inputs: [
        { name: 'Raw', type, comment: 'counts of the converter' },
        ...['RawLow', 'RawHigh', 'ValueLow', 'ValueHigh'].map((text) => ({ name: text, type: kind })),
        ...(request.shape === 'root'
          ? [{ name: 'Cut', type: kind, comment: 'share below which it is zero' }]
          : []),
      ],
      locals: request.shape === 'root' ? [{ name: 'Share', type: kind }] : [],
      body: request.shape === 'root' ? rooted : [assign(fn, lineOf(share))],
    },
  };
}

const piece = (raw: Expression, from: TablePoint, to: TablePoint): Expression =>
  plus(times(minus(raw, number(from.in)), number((to.out - from.out) / (to.in - from.in))), number(from.out));
