/** The rules for commands: one class a shape, and which shape each type of command has. */
import { IsBoolean, IsIn, IsString } from 'class-validator';
import type { WishType } from '../../core/session/commands';
import type { ClassConstructor } from './check';
import { GeometryInput } from './geometry-input';
import { IsOne } from './nested';
import { IsId, IsInstant, IsLetters, IsNewId, IsText, IsTitle, OrNull } from './rules';
import { SettingsInput } from './settings-input';

class CommandInput {
  @IsNewId() id!: string;
  @IsInstant() at!: string;
  @IsString() type!: WishType;
}

class WindowCommand extends CommandInput {
  @IsId() window!: string;
}

class ApplicationCommand extends CommandInput {
  @IsId() application!: string;
}

class DocumentCommand extends CommandInput {
  @IsId() document!: string;
}

class BringToFrontCommand extends WindowCommand {
  @IsBoolean() raiseAll!: boolean;
}

class OpenWindowCommand extends ApplicationCommand {
  @IsBoolean() inFront!: boolean;
}

class AnswerClosingCommand extends WindowCommand {
  @IsIn(['save', 'drop', 'keep-open']) answer!: string;
}

class AnswerDraftCommand extends WindowCommand {
  @IsIn(['take-up', 'drop']) answer!: string;
}

class KeepDraftCommand extends DocumentCommand {
  @IsText() text!: string;
}

class PlaceWindowCommand extends WindowCommand {
  @IsOne(() => GeometryInput) geometry!: GeometryInput;
}

class RetitleTabCommand extends WindowCommand {
  @IsId() tab!: string;
  @IsTitle() title!: string;
}

class ChangeSettingsCommand extends CommandInput {
  @IsOne(() => SettingsInput) settings!: SettingsInput;
}

class LearnChoiceCommand extends CommandInput {
  @IsLetters() letters!: string;
  @IsTitle() choice!: string;
}

class ForgetChoicesCommand extends CommandInput {
  @OrNull() @IsTitle() choice!: string | null;
}

/** The class that a command of each type is checked against. */
export const COMMAND_INPUTS: Readonly<Record<WishType, ClassConstructor>> = {
  'bring-to-front': BringToFrontCommand,
  'switch-to-application': ApplicationCommand,
  'open-window': OpenWindowCommand,
  'open-document': DocumentCommand,
  minimise: WindowCommand,
  'minimise-all': ApplicationCommand,
  'hide-or-show': ApplicationCommand,
  solo: ApplicationCommand,
  sweep: CommandInput,
  'put-back': CommandInput,
  close: WindowCommand,
  'close-all': ApplicationCommand,
  quit: ApplicationCommand,
  'end-now': ApplicationCommand,
  'answer-closing': AnswerClosingCommand,
  reopen: CommandInput,
  'keep-draft': KeepDraftCommand,
  save: DocumentCommand,
  'answer-draft': AnswerDraftCommand,
  'place-window': PlaceWindowCommand,
  'retitle-tab': RetitleTabCommand,
  'stop-answering': ApplicationCommand,
  'change-settings': ChangeSettingsCommand,
  'learn-choice': LearnChoiceCommand,
  'forget-choices': ForgetChoicesCommand,
};
