/** Text as it may stand in an SVG picture. */
export const escaped = (text: string): string =>
  text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

type Attributes = Record<string, string | number | undefined>;

/** An element of an SVG picture with what is in it; what is undefined is left out. */
export const element = (name: string, attributes: Attributes, inside = ''): string =>
  `<${name}${Object.entries(attributes)
    .flatMap(([key, value]) => (value === undefined ? [] : [` ${key}="${escaped(String(value))}"`]))
    .join('')}>${inside}</${name}>`;

interface Writing {
  size: number;
  bold?: boolean;
  anchor?: 'start' | 'middle' | 'end';
  fill?: string;
}

/** A line of text at a spot: its middle, its start or its end, on its base line. */
export const words = (
  x: number,
  y: number,
  text: string,
  { size, bold, anchor = 'middle', fill = '#000' }: Writing,
): string =>
  element(
    'text',
    { x, y, 'font-size': size, 'font-weight': bold ? 'bold' : undefined, 'text-anchor': anchor, fill },
    escaped(text),
  );

/** The same on a white ground, so that lines behind it do not run through it. */
export const grounded = (x: number, y: number, text: string, writing: Writing): string => {
  const wide = text.length * writing.size * 0.56 + 3;
  const left =
    writing.anchor === 'start' ? x - 1.5 : writing.anchor === 'end' ? x - wide + 1.5 : x - wide / 2;
  return (
    element('rect', {
      ...{ x: left, y: y - writing.size * 0.86, width: wide, height: writing.size * 1.12 },
      ...{ fill: '#fff', 'fill-opacity': 0.85 },
    }) + words(x, y, text, writing)
  );
};

export const picture = (width: number, height: number, inside: string): string =>
  element(
    'svg',
    { xmlns: 'http://www.w3.org/2000/svg', viewBox: `0 0 ${width} ${height}`, width, height },
    inside,
  );
