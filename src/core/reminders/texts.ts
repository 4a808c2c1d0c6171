import { InvalidInputError } from '../errors';

/** What a reminder is for. */
export type Occasion = 'drop' | 'meeting' | 'slipping' | 'quiet';
export const OCCASIONS: readonly Occasion[] = ['drop', 'meeting', 'slipping', 'quiet'];

export interface ReminderText {
  readonly subject: string;
  readonly body: string;
}

/** The host’s own words for each occasion, with fields in braces: `{name}`. */
export type ReminderTexts = Readonly<Record<Occasion, ReminderText>>;

/** What may stand in braces, and what is put in its place: nothing that is true today only, for a letter may wait for the morning. */
export const FIELDS = {
  name: 'the maker’s name',
  project: 'the project',
  shop: 'the shop',
  drop: 'the next drop',
  day: 'its day, or the day of the meeting',
  blocks: 'the blocks of the drop that they sew',
  open: 'earlier blocks that they have not finished',
  left: 'the hours of sewing that are left',
  next: 'their next step',
  meeting: 'the meeting',
  time: 'when it begins',
  place: 'where it is',
  note: 'what the calendar says of the drop or the meeting: what to bring, what is taught',
  last: 'the day of their last entry',
} as const;

export type Field = keyof typeof FIELDS;
export type FieldValues = Readonly<Partial<Record<Field, string>>>;

export const TEXT_LIMITS = { subject: 160, body: 4000 } as const;

export const USUAL_TEXTS: ReminderTexts = {
  drop: {
    subject: '{drop} of {project}: {day}',
    body: 'Dear {name},\n\n{drop} is handed out on {day}: {blocks}.\nStill open from before: {open}. Nobody minds; the bags wait for you.\n{note}\n\nThread a needle!\n{shop}',
  },
  meeting: {
    subject: '{meeting}: {day}',
    body: 'Dear {name},\n\nwe meet on {day} at {time}.\nWhere: {place}.\n{note}\nBring what you are sewing. Next for you: {next}.\n\nUntil then,\n{shop}',
  },
  slipping: {
    subject: 'How is {project} going?',
    body: 'Dear {name},\n\nabout {left} of sewing are left, and a little each week gets you there. Next for you: {next}.\nIs something in the way? Press “I’m stuck” on your page, or just answer this.\n\n{shop}',
  },
  quiet: {
    subject: 'Are you still sewing {project}?',
    body: 'Dear {name},\n\nI have not heard of your sewing since {last}. Life comes first; your bags keep.\nNext for you: {next}.\nIf you are stuck, or would rather stop, one line is enough.\n\n{shop}',
  },
};

/**
 * Refuses fields that are none.
 * @throws InvalidInputError `reminder-text` with `drop.body` or the like as its place
 */
export function checkTexts(texts: ReminderTexts): ReminderTexts {
  for (const occasion of OCCASIONS)
    for (const part of ['subject', 'body'] as const) {
      const unknown = fieldsIn(texts[occasion][part]).find((field) => !(field in FIELDS));
      if (unknown !== undefined)
        throw new InvalidInputError(
          'reminder-text',
          `Nothing is known by the name {${unknown}}.`,
          `Take one of these: ${Object.keys(FIELDS).map((field) => `{${field}}`).join(' ')}.`,
          { name: `${occasion}.${part}` },
        ); // prettier-ignore
    }
  return texts;
}

function fieldsIn(text: string): string[] {
  return [...text.matchAll(FIELD)].map(([, field = '']) => field);
}

const FIELD = /\{([^{}\n]*)\}/g;

/**
 * Puts values in place of fields. A line that names a field without a value is left out, so that nothing is said of what is not
 * there; what stands in a value is never taken for a field.
 */
export function fillText({ subject, body }: ReminderText, values: FieldValues): ReminderText {
  const known = values as Readonly<Record<string, string | undefined>>;
  const fill = (line: string) => line.replace(FIELD, (_, field: string) => known[field] ?? '');
  const isSaid = (line: string) => fieldsIn(line).every((field) => Boolean(known[field]));
  const lines = body.split('\n').filter(isSaid).map(fill).join('\n');
  return {
    subject: fill(subject).replace(/\s+/g, ' ').trim(),
    body: lines.replace(/\n{3,}/g, '\n\n').trim(),
  };
}
