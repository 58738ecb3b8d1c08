/** The rules for commands, made of the fields that each kind of command declares. */
import { IsBoolean, IsIn, IsInt, IsString, Max, Min } from 'class-validator';
import type { Field, FieldKind } from '../../core/commands/command';
import { COMMANDS } from '../../core/commands/commands';
import { MOST_TABS } from '../../core/model/limits';
import { PlacementInput } from './geometry-input';
import { IsOne, type ClassConstructor } from './nested';
import { OwnKeyInput, ShortcutInput } from './shortcut-input';
import { PassInput } from './pass-input';
import { IsId, IsInstant, IsLetters, IsNewId, IsText, IsThing, IsTitle, OrNull } from './rules';
import { SetupChangeInput } from './setup-input';
import { SettingsInput } from './settings-input';

class CommandInput {
  @IsNewId() id!: string;
  @IsInstant() at!: string;
  @IsString() type!: string;
}

/** The rules for each kind of field. */
const RULES: Readonly<Record<FieldKind, () => readonly PropertyDecorator[]>> = {
  window: () => [IsId()],
  application: () => [IsId()],
  document: () => [IsId()],
  tab: () => [IsId()],
  workspace: () => [IsId()],
  entry: () => [OrNull(), IsTitle()],
  text: () => [IsText()],
  title: () => [IsTitle()],
  kind: () => [IsId()],
  letters: () => [IsLetters()],
  choice: () => [IsTitle()],
  choices: () => [OrNull(), IsTitle()],
  flag: () => [IsBoolean()],
  placement: () => [IsOne(() => PlacementInput)],
  count: () => [IsInt(), Min(0), Max(MOST_TABS)],
  settings: () => [IsOne(() => SettingsInput)],
  thing: () => [IsThing()],
  pass: () => [OrNull(), IsOne(() => PassInput)],
  shortcut: () => [IsOne(() => ShortcutInput)],
  ownKey: () => [IsOne(() => OwnKeyInput)],
  setup: () => [IsOne(() => SetupChangeInput)],
};

const rulesOf = (field: Field): readonly PropertyDecorator[] =>
  typeof field === 'string' ? RULES[field]() : [IsIn(field)];

/** The class that a command of each type is checked against. */
export const COMMAND_INPUTS: ReadonlyMap<string, ClassConstructor> = new Map(
  COMMANDS.map(({ type, fields }): [string, ClassConstructor] => {
    const input = class extends CommandInput {};
    for (const [name, field] of Object.entries(fields))
      for (const rule of rulesOf(field)) rule(input.prototype, name);
    return [type, input];
  }),
);
