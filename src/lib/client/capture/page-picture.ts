import { domToCanvas } from 'modern-screenshot';

/** What has this attribute is in no picture. */
const NOT_IN_PICTURES = 'data-not-in-pictures';

/**
 * Letters of a copy are drawn without regard for whole pixels and come out a little wider, so that what just fitted into its
 * line would break it: they stand a little closer.
 */
const FITTING = '-0.04px';
/** More than what is lost by rounding, in px. */
const ROUNDED = 0.5;

/**
 * An element of this page as it looks, drawn by the browser from a copy of it. What is in the frame of another site cannot
 * be had, and stays empty.
 * @param unit pixels of the picture for a CSS pixel
 * @throws if the browser cannot draw it
 */
export async function pictureOfElement(element: HTMLElement, unit: number): Promise<HTMLCanvasElement> {
  const whole = element === document.body;
  const box = element.getBoundingClientRect();
  const extent = whole
    ? { width: innerWidth, height: innerHeight }
    : { width: Math.round(box.width), height: Math.round(box.height) };
  return domToCanvas(element, {
    ...extent,
    scale: unit,
    filter: isInPicture,
    includeStyleProperties: propertiesInUse(),
    // Where it lies on the page does not matter in a picture of its own.
    style: whole
      ? { margin: '0', letterSpacing: FITTING }
      : { letterSpacing: FITTING, left: '0', top: '0', outline: 'none', boxShadow: 'none' },
    font: { cssText: await fontFaces() },
    features: { restoreScrollPosition: true, copyScrollbar: false, fixSvgXmlDecode: false },
    onCloneEachNode: adjust,
  });
}

/** What is there for screen readers alone: with a thousand windows, their names. */
const NOT_SEEN = 'sr-only';

const isInPicture = (node: Node): boolean =>
  !(node instanceof Element) ||
  (node.nodeName !== 'IFRAME' &&
    !node.classList.contains(NOT_SEEN) &&
    !node.hasAttribute(NOT_IN_PICTURES) &&
    node.checkVisibility());

function adjust(copy: Node): void {
  if (!(copy instanceof HTMLElement)) return;
  const { style } = copy;
  // It is scrolled by moving what is in it.
  for (const side of ['overflow-x', 'overflow-y'])
    if (/auto|scroll/u.test(style.getPropertyValue(side))) style.setProperty(side, 'hidden');
  // Widths are told rounded: what just fitted beside each other must not break.
  if (style.flexWrap === 'wrap' && style.width.endsWith('px'))
    style.width = `${Number.parseFloat(style.width) + ROUNDED}px`;
}

/** The properties that anything on this page is styled by: half of all that there are, and so in half the time. */
function propertiesInUse(): string[] {
  const names = new Set<string>(['display', 'width', 'height']);
  const take = (style: CSSStyleDeclaration) => {
    for (const name of style) if (!name.startsWith('--')) names.add(name);
  };
  const walk = (rules: CSSRuleList) => {
    for (const rule of rules) {
      if (rule instanceof CSSStyleRule) take(rule.style);
      if ('cssRules' in rule) walk(rule.cssRules as CSSRuleList);
    }
  };
  for (const sheet of document.styleSheets) walk(sheet.cssRules);
  for (const element of document.querySelectorAll<HTMLElement>('[style]')) take(element.style);
  return [...names];
}

let faces: Promise<string> | null = null;

/** The page's fonts with their files in them: a picture loads nothing. Read once. */
function fontFaces(): Promise<string> {
  faces ??= Promise.all(
    [...document.styleSheets].flatMap((sheet) =>
      [...sheet.cssRules]
        .filter((rule) => rule instanceof CSSFontFaceRule)
        .map((rule) => withFiles(rule.cssText, sheet.href ?? location.href)),
    ),
  ).then((all) => all.join('\n'));
  return faces;
}

const FILE = /url\("([^"]+)"\)/gu;

async function withFiles(face: string, base: string): Promise<string> {
  const files = [...face.matchAll(FILE)].map(([, file = '']) => file);
  const data = await Promise.all(files.map(async (file) => dataAddress(new URL(file, base).href)));
  return files.reduce((text, file, at) => text.replace(file, data[at] ?? file), face);
}

async function dataAddress(file: string): Promise<string> {
  const blob = await (await fetch(file)).blob();
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(reader.error ?? new Error('It cannot be read.'));
    reader.readAsDataURL(blob);
  });
}
