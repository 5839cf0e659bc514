import { codeOf } from '../../messages/index.ts';
import { z } from 'zod';
import { Quantity } from '../../model/index.ts';
import type { FitCheck, Handling, PlateFact } from '../handling/handling.ts';
import { isRule } from '../parameters.ts';
import type { Parameter, Rule, Setting } from '../parameters.ts';

const Key = z.string().regex(/^[\w.-]{1,40}$/, 'A key has 1 to 40 letters, digits, points and dashes.');
const Label = z.string().min(1).max(120);
const Choice = z.strictObject({ value: z.string().max(60), label: Label });
const Choices = z.array(Choice).min(1).max(80);
const Usual = z.strictObject({ value: z.string().max(60), why: z.string().max(160) });
const RuleName = z
  .string()
  .max(60)
  .refine(isRule, codeOf('model.no-such-rule')) as unknown as z.ZodType<Rule>;

export const SettingSchema: z.ZodType<Setting> = z.strictObject({
  key: Key,
  label: Label,
  choices: Choices,
  any: z.strictObject({ unit: z.string().max(12), min: Quantity, max: Quantity }).optional(),
  place: z.enum(['switch', 'parameter', 'version']),
  from: RuleName.optional(),
  usual: Usual.optional(),
  wipes: z.array(Key).max(80).optional(),
  names: z.string().max(60).optional(),
  caution: z
    .strictObject({
      value: z.string().max(60),
      text: z.string().min(1).max(240),
      doubtful: z.boolean().optional(),
    })
    .optional(),
});

export const ParameterSchema: z.ZodType<Parameter> = z.strictObject({
  key: Key,
  label: Label,
  kind: z.enum(['choice', 'number', 'text', 'presence']),
  place: z.enum(['switch', 'parameter', 'version', 'bus']),
  choices: Choices.optional(),
  unit: z.string().max(12).optional(),
  unitKey: Key.optional(),
  min: Quantity.optional(),
  max: Quantity.optional(),
  special: z
    .array(z.strictObject({ value: z.string().max(60), name: Label }))
    .max(40)
    .optional(),
  factory: z.string().max(60).optional(),
  wipes: z.union([z.literal('all'), z.array(Key).max(80)]).optional(),
  needs: z.array(Key).max(20).optional(),
  onlyIf: z.strictObject({ key: Key, is: z.array(z.string().max(60)).max(20) }).optional(),
  from: RuleName.optional(),
  usual: Usual.optional(),
  last: z.boolean().optional(),
  kept: z.literal('memory').optional(),
  free: z.boolean().optional(),
  caution: z.string().max(240).optional(),
  nearest: z.boolean().optional(),
  readOnly: z.boolean().optional(),
});

const Fit: z.ZodType<FitCheck> = z.strictObject({
  key: Key,
  title: Label,
  reason: z.string().min(1).max(200),
  caution: z.string().max(240).optional(),
});

const Fact: z.ZodType<PlateFact> = z.strictObject({
  key: Key,
  label: Label,
  kind: z.enum(['number', 'text', 'choice']),
  choices: Choices.optional(),
  unit: z.string().max(12).optional(),
  min: Quantity.optional(),
  max: Quantity.optional(),
  example: z.string().max(60),
});

export const HandlingSchema: z.ZodType<Handling> = z.strictObject({
  fit: z.array(Fit).max(20),
  plate: z.array(Fact).max(20),
  parameters: z.array(ParameterSchema).max(80),
  codes: z
    .array(
      z.strictObject({ shows: Label, means: z.string().min(1).max(200), look: z.string().min(1).max(240) }),
    )
    .max(60)
    .optional(),
});
