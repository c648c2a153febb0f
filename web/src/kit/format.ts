const whole = new Intl.NumberFormat();

/** A whole number in the reader's locale. */
export const count = (value: number) => whole.format(value);

const compact = new Intl.NumberFormat(undefined, { notation: "compact", maximumSignificantDigits: 3 });

/** A whole number that must fit into a narrow place: from ten millions on in short, "123M". */
export const shortCount = (value: number) => (Math.abs(value) < 10_000_000 ? count(value) : compact.format(value));

/** "1 URL", "12 URLs". */
export const counted = (value: number, one: string, many = `${one}s`) => `${count(value)} ${value === 1 ? one : many}`;

/** A day in the reader's locale, with the year only where it isn't this one. */
export function day(iso: string) {
  const date = new Date(iso);
  const thisYear = date.getFullYear() === new Date().getFullYear();
  return date.toLocaleDateString(undefined, {
    day: "numeric",
    month: "short",
    ...(thisYear ? {} : { year: "numeric" }),
  });
}

/** Day and time in the reader's locale. */
export const moment = (iso: string) =>
  new Date(iso).toLocaleString(undefined, { dateStyle: "medium", timeStyle: "short" });

/** "41 s", "3 min", "2 h 10 min". */
export function duration(seconds: number) {
  if (seconds < 90) return `${count(Math.round(seconds))} s`;
  const minutes = Math.round(seconds / 60);
  return minutes < 90 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
}

/** "412 B", "12 KB", "3.4 MB", "1.2 GB". */
export function bytes(value: number) {
  if (value < 1000) return `${value} B`;
  if (value < 1_000_000) return `${Math.round(value / 1000)} KB`;
  const [unit, name] = value < 1_000_000_000 ? [1_000_000, "MB"] : [1_000_000_000, "GB"];
  return `${(value / unit).toLocaleString(undefined, { maximumFractionDigits: 1 })} ${name}`;
}

/** Where a rule comes from, in whole words. */
export const ruleSource = (source: string) =>
  source === "CP" ? "Common practice" : source.replace(/\bCP\b/g, "common practice");

/** A part of the whole: "12.4%", "0.035%". */
export const share = (value: number) =>
  value.toLocaleString(undefined, { style: "percent", maximumSignificantDigits: value < 0.001 ? 2 : 3 });

const seconds = new Intl.DateTimeFormat(undefined, { timeStyle: "medium" });

/** A moment of a day, to the second. */
export const clock = (iso: string) => seconds.format(new Date(iso));
