import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { desktopEntry, entryText, LONGEST_ENTRY, programText } from './desktop-entry';
import { guestId, monogramFor } from './guest';

// freedesktop.org, "Desktop Entry Specification" 1.5, appendix A, "Example Desktop Entry File", from memory.
const EXAMPLE = `[Desktop Entry]
Version=1.0
Type=Application
Name=Foo Viewer
Comment=The best viewer for Foo objects available!
TryExec=fooview
Exec=fooview %F
Icon=fooview
MimeType=image/x-foo;
Actions=Gallery;Create;

[Desktop Action Gallery]
Exec=fooview --gallery
Name=Browse Gallery

[Desktop Action Create]
Exec=fooview --create-new
Name=Create a new Foo!
Icon=fooview-new
`;

const read = (text: string) => {
  const answer = desktopEntry(text);
  return 'entry' in answer ? answer.entry : answer.problem;
};
const entry = (...lines: string[]) => ['[Desktop Entry]', 'Type=Application', 'Name=X', ...lines].join('\n');

describe('a desktop entry', () => {
  it('the specification’s own example is read', () => {
    expect(read(EXAMPLE)).toEqual({
      type: 'Application',
      name: 'Foo Viewer',
      comment: 'The best viewer for Foo objects available!',
      keywords: [],
      command: ['fooview', '%F'],
      url: null,
      actions: [
        { id: 'Gallery', name: 'Browse Gallery', command: ['fooview', '--gallery'] },
        { id: 'Create', name: 'Create a new Foo!', command: ['fooview', '--create-new'] },
      ],
      windowClass: null,
      inMenus: true,
      inTerminal: false,
      application: null,
      monogram: null,
      hue: null,
    });
  });

  it('says which windows are its own, and whether menus have it', () => {
    expect(
      read(entry('Exec=x', 'StartupWMClass=Tide\\sGauge', 'Terminal=true', 'NoDisplay=true')),
    ).toMatchObject({
      windowClass: 'Tide Gauge',
      inMenus: false,
      inTerminal: true,
    });
    expect(read(entry('Exec=x', 'Hidden=true'))).toMatchObject({ inMenus: false });
  });

  it('escapes, lists, comments, translations and quotes are read by the specification', () => {
    const text = entry(
      '# a comment',
      '',
      'Name[sv]=Annat',
      'Comment=one\\stwo\\\\three\\nfour',
      'Keywords=tide;water\\;high;;',
      'Exec="/opt/tide gauge/run" --at "a \\"b\\" \\$c" %u',
      'Actions=None;',
    );
    expect(read(`\uFEFF${text.replaceAll('\n', '\r\n')}`)).toMatchObject({
      name: 'X',
      comment: 'one two\\three\nfour',
      keywords: ['tide', 'water;high'],
      command: ['/opt/tide gauge/run', '--at', 'a "b" $c', '%u'],
      actions: [],
    });
  });

  it.each([
    ['a shell command', entry('Exec=fooview; rm -rf ~'), /“;” outside of quotes, as for a shell/],
    ['a pipe', entry('Exec=fooview | tee x'), /“\|” outside of quotes/],
    ['a substitution', entry('Exec=fooview $(id)'), /“\$” outside of quotes/],
    ['a command for a shell', entry('Exec=sh -c "rm -rf x"'), /hands a command to the shell sh/],
    ['one by its path', entry('Exec=env /bin/bash -c true'), /the shell \/bin\/bash/],
    [
      'one in an action',
      `${entry('Exec=x', 'Actions=A')}\n[Desktop Action A]\nName=A\nExec=x && y`,
      /“&” outside/,
    ],
    ['no command', entry(), /“Exec” is missing/],
    ['no name', '[Desktop Entry]\nType=Application\nExec=x', /“Name” is missing/],
    ['no type', '[Desktop Entry]\nName=X\nExec=x', /“Type” is missing/],
    ['a folder', '[Desktop Entry]\nType=Directory\nName=X', /type “Directory” name no program/],
    ['a link without address', '[Desktop Entry]\nType=Link\nName=X', /“URL” is missing/],
    ['a key twice', entry('Exec=x', 'Exec=y'), /Line 5: the key “Exec” is there twice/],
    ['a group twice', `${entry('Exec=x')}\n[Desktop Entry]`, /is there twice/],
    ['another group first', '[Other]\nName=X', /does not begin with the group/],
    ['a line that is none', entry('Exec=x', 'what'), /Line 5 is neither/],
    ['no entry at all', 'hello', /Line 1 is neither/],
    ['too much', entry(`Exec=x\nComment=${'x'.repeat(LONGEST_ENTRY)}`), /more than 50 thousand/],
  ])('with %s is refused with what is wrong', (_name, text, problem) => {
    expect(read(text)).toMatch(problem);
  });

  it('a program that a bus starts needs no command, and a shell alone is a program', () => {
    expect(read(entry('DBusActivatable=true'))).toMatchObject({ command: [] });
    expect(read(entry('Exec=bash --login'))).toMatchObject({ command: ['bash', '--login'] });
  });

  it('what is handed out is read back', () => {
    const wanted = {
      application: 'notices',
      name: 'Notice\\Board\n2',
      monogram: 'No',
      hue: 35,
      url: 'http://127.0.0.1:4871/',
    };
    const { application, name, monogram, hue, url } = wanted;
    expect(read(entryText(wanted))).toMatchObject({
      type: 'Link',
      application,
      name,
      monogram,
      hue,
      url,
      command: [],
    });
    expect(read(entry('Exec=x', 'X-KeyFold-Hue=360'))).toMatchObject({ hue: null });
  });
});

describe('an entry that starts a program', () => {
  const wanted = {
    name: 'Key Fold',
    comment: 'Windows by keyboard.',
    icon: '/k.svg',
    categories: ['Utility'],
  };

  it('has its command word for word, whatever is in it', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ unit: 'binary', minLength: 1 }), { minLength: 1 }), (words) => {
        const command = words.map((word) => word.replaceAll('\0', '').replaceAll('\r', '') || 'x');
        const made = desktopEntry(programText({ ...wanted, command }));
        const shell = 'problem' in made && made.problem.includes('shell');
        const read = 'entry' in made ? made.entry.command.map((word) => word.replaceAll('%%', '%')) : null;
        return shell || JSON.stringify(read) === JSON.stringify(command);
      }),
    );
  });
});

describe('a name for what is added', () => {
  it('becomes an id that nothing has', () => {
    const taken = new Set(['notice-board', 'notice-board-2']);
    const id = (name: string) => guestId(name, (one) => taken.has(one));
    expect(id('Notice Board')).toBe('notice-board-3');
    expect(id('Ärztin')).toBe('a-rztin');
    expect(id('3 Ships')).toBe('page-3-ships');
    expect(id('潮')).toBe('page');
    expect(id('constructor')).toBe('constructor-2');
    expect(id('x'.repeat(300)).length).toBeLessThanOrEqual(100);
  });

  it('and two letters', () => {
    expect(['Notice Board', 'tides', 'x', '潮汐', ''].map(monogramFor)).toEqual([
      'NB',
      'Ti',
      'X·',
      '潮汐',
      '··',
    ]);
  });
});
