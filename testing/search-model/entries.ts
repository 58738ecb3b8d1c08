/**
 * Made-up but realistic things to search: titles of windows in six kinds of work, applications, documents with paths,
 * commands. Rare words come from open word lists (npm: an-array-of-english-words, -french-words, -german-words, MIT).
 */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Candidate } from '../../src/lib/core/search/candidates';
import { Random } from '../random';

/** Something that can be found. */
export interface Item {
  readonly id: string;
  readonly kind: 'window' | 'application' | 'document' | 'command';
  readonly title: string;
  /** The application's name, for windows and documents. */
  readonly detail: string;
}

const require = createRequire(import.meta.url);
const wordList = (file: string) => JSON.parse(readFileSync(require.resolve(file), 'utf8')) as string[];
/** Some words of middling length, spread over the whole list. */
const spread = (file: string, count: number): string[] => {
  const fit = wordList(file).filter((word) => /^\p{L}{5,10}$/u.test(word));
  return Array.from({ length: count }, (_, n) => fit[Math.floor((n * fit.length) / count)] as string);
};
const ENGLISH = spread('an-array-of-english-words/index.json', 3_000);
const FRENCH = spread('an-array-of-french-words/index.json', 600);
const GERMAN = spread('an-array-of-german-words/words.json', 600);

const listed = (text: string): string[] => text.split(',').map((part) => part.trim());

const WORK: Readonly<Record<string, readonly string[]>> = {
  office: listed(
    'Invoice,Budget,Minutes,Travel expenses,Contract,Offer,Order confirmation,Annual report,Holiday plan,Cash flow,Supplier list,Payroll,Meeting agenda,Price list,Board letter,Tender documents,Cost centres,Sick leave,Reminder letter,Delivery note',
  ),
  engineering: listed(
    'Pump housing,Stress analysis,Bill of materials,Weld plan,Gear box assembly,Bearing tolerances,Heat exchanger,Wiring diagram,Hydraulic circuit,Test bench,Crane boom,Fatigue test,Valve block,Load case,Bracket drawing,Surface finish,Control cabinet,Piping isometric,Flange sizes,Mass balance',
  ),
  harbour: listed(
    'Tide table,Berth plan,Pilot roster,Lock sill,Outer buoy,Timber quay,Under-keel clearance,Dredging log,Tug orders,Cargo manifest,Weather window,Notice to mariners,Mooring lines,Radio log,Fairway survey,Crane schedule,Customs release,Ballast report,North gauge,Harbour dues',
  ),
  school: listed(
    'Timetable,Class register,Parent evening,Spelling test,Fractions worksheet,School trip,Reading list,Marks overview,Geometry homework,Choir rehearsal,Exam paper,Playground duty,Staff room,Science fair,Substitution plan,Library loans,Sports day,Term report,Seating chart,Graduation speech',
  ),
  clinic: listed(
    'Ward round,Patient chart,Blood results,Discharge letter,Theatre list,Vaccination plan,Night shift handover,X-ray viewer,Allergy record,Dosage table,Referral,Fracture clinic,Bed occupancy,Physiotherapy plan,Consent form,Lab orders,Wound care,Emergency protocol,Diet plan,Triage board',
  ),
  programming: listed(
    'parser,index.ts,build log,pull request,unit tests,stack trace,schema migration,load balancer,event loop,memory profile,code review,release notes,style guide,linker errors,queue worker,rate limiter,session store,cache layer,token refresh,config loader',
  ),
};
const FIELDS = Object.keys(WORK);
const APPLICATIONS = listed(
  'Letters,Sums,Tides,Berths,Mail,Calendar,Address Book,Drawing Board,Terminal,Code Editor,File Manager,Picture Viewer,Ledger,Patient Records,Timetables,Roster,Radio,Charts,Notes,Calculator,Screen Recorder,Music Player,Chat,Video Call,Task Board,Web Browser,Database Console,Print Queue,Scanner,Dictionary,Map Room,Password Safe,Voice Memos,Weather,Form Designer,Spreadsheet,Slide Show,Page Reader,Archive Tool,System Monitor,Network Settings,Font Book,Backup,Remote Desk,Log Viewer,Diff Viewer,Grade Book,Lab Bench,Parts Catalogue,Stress Solver,Übersetzer,Écriture,Ølhandel,Καθρέφτης,Переводчик,מילון,قاموس',
);
const COMMANDS = listed(
  'Sweep all windows away,Put back what was put away last,Reopen what ended last,Minimise the front window,Minimise all windows of the front application,Hide the front application,Solo: hide all but the front application,Close the front window,Close all windows of the front application,Quit the front application,End the front application now,Settings,Export this desk as a session document,Forget what search has learned,Day colours,Night colours',
);
const PEOPLE = listed(
  'Adlern,Björnsund,Corvane,Dlaminor,Érable,Fjordholm,Grünwalder,Håkanvik,Ibarrola,Jørgensby,Kowalin,Łubień,Müller-Straußner,Núñara,Okaforin,Petterlund,Quist,Rožmar,Söderwall,Țurcaș,Umarin,Vančur,Weißhaupt,Yıldızlı,Żelaz,Σταύρης,Ивановин,Петренкин,כהנמן,حدادين',
);
const FOREIGN = listed(
  'Straßenplan,Größenvergleich,Übergabeprotokoll,Prüfbericht,Maßnahmen,Änderungsantrag,Échéancier,Réunion générale,Hôtel des Écluses,Façade nord,Måleskjema,Strømforbruk,Købmandsgård,Año fiscal,Informe médico,Płatności,Přehled účtů,Πρόγραμμα πλοίων,Λογαριασμός,Отчёт о приливах,Расписание уроков,Чертёж насоса,דוח חודשי,רשימת תלמידים,تقرير الميناء,جدول المناوبات',
);
const CHORES = listed(
  'draft,final,copy,notes,overview,plan,summary,review,check,reply,changes,checklist,figures,photos,archive,questions,template,comments',
);
const ENDINGS = ['.txt', '.pdf', '.csv', '.md', '.ts', '.py', '.html', '.svg'];

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

/** Texts made by chance. */
class Writer {
  constructor(private readonly random: Random) {}

  #from(least: number, count: number): number {
    return least + this.random.below(count);
  }

  /** What work is about. */
  subject(): string {
    return this.random.one(WORK[this.random.one(FIELDS)] as readonly string[]);
  }

  number(): string {
    return this.random.weighted<() => string>([
      [() => `#${this.#from(1, 400)}`, 3],
      [() => `q${this.#from(1, 4)}-${this.#from(1, 4)}`, 2],
      [() => `${this.#from(2023, 4)}`, 2],
      [() => `v${this.#from(1, 4)}.${this.random.below(10)}`, 1],
      [() => `${this.#from(1, 28)}.${this.#from(1, 12)}.`, 1],
      [() => `${this.#from(1000, 9000)}`, 2],
    ])();
  }

  rare(): string {
    return capital(
      this.random.one(
        this.random.weighted([
          [ENGLISH, 8],
          [FRENCH, 1],
          [GERMAN, 1],
        ]),
      ),
    );
  }

  title(): string {
    const { random } = this;
    const subject = this.subject();
    const chore = random.one(CHORES);
    return random.weighted<() => string>([
      [() => `${capital(subject)} ${this.rare()}`, 5],
      [() => `${capital(subject)} ${this.number()}`, 5],
      [() => `${this.rare()} ${this.rare().toLowerCase()} ${chore}`, 4],
      [() => `${capital(subject)} – ${random.one(PEOPLE)}`, 3],
      [() => `Re: ${subject} ${chore} (${random.one(PEOPLE)})`, 2],
      [() => `${random.one(FOREIGN)} ${random.chance(0.5) ? this.number() : this.rare()}`, 2],
      [() => `${this.rare()} – ${subject} – ${chore} ${this.number()}`, 2],
      [() => capital(subject), 2],
    ])();
  }

  path(): string {
    const { random } = this;
    const folder = () =>
      random.weighted<() => string>([
        [() => random.one(FIELDS), 2],
        [() => random.one(ENGLISH), 2],
        [() => `${this.#from(2023, 4)}`, 1],
      ])();
    const gap = () => random.one(['-', '_', ' ']);
    const second = random.chance(0.5) ? this.number() : random.one(ENGLISH);
    const name = `${this.subject().toLowerCase()}${gap()}${second}`
      .replaceAll(' ', gap())
      .replace(/\.ts\b/, '');
    return `${Array.from({ length: this.#from(1, 3) }, folder).join('/')}/${name}${random.one(ENDINGS)}`;
  }
}

const clamp = (count: number, least: number, most: number) =>
  Math.max(least, Math.min(most, Math.round(count)));

/** `count` different things, about half of them windows, a third documents, the rest applications and commands. */
export function itemsOf(count: number, seed: number): Item[] {
  const random = new Random(seed);
  const writer = new Writer(random);
  const items = new Map<string, Item>();
  const add = (kind: Item['kind'], title: string, detail: string) => {
    if (!items.has(title)) items.set(title, { id: `${kind}:${items.size}`, kind, title, detail });
  };
  const applications = APPLICATIONS.slice(0, clamp(count * 0.18, 7, APPLICATIONS.length));
  for (const name of applications) add('application', name, '');
  for (const title of COMMANDS.slice(0, clamp(count * 0.05, 4, COMMANDS.length))) add('command', title, '');
  while (items.size < Math.round(count * 0.66)) add('window', writer.title(), random.one(applications));
  while (items.size < count)
    add('document', random.chance(0.7) ? writer.path() : writer.title(), random.one(applications));
  return [...items.values()];
}

/** An item as search takes it. */
export function candidateOf({ id, kind, title, detail }: Item): Candidate {
  const subjects: Record<Item['kind'], Candidate['subject']> = {
    window: { kind, window: id, application: detail } as Candidate['subject'],
    application: { kind: 'application', application: id },
    document: { kind: 'document', document: id, application: detail },
    command: { kind: 'command', invocation: { action: id, argument: null }, firm: false },
  };
  return { key: id, learnedAs: id, subject: subjects[kind], title, detail, also: [] };
}
