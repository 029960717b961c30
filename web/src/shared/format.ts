// The one place where figures become text.

import { fromGrams, locale, weightUnit } from "./units";

const plain = new Intl.NumberFormat(locale, { maximumFractionDigits: 1, useGrouping: false });
const clock = new Intl.DateTimeFormat(locale, { hour: "numeric", minute: "2-digit" });
const day = new Intl.DateTimeFormat(locale, {
  weekday: "short",
  day: "numeric",
  month: "long",
  year: "numeric",
});

/** From five figures on they are set off in threes by a thin space, which no country reads as a decimal mark; so does the server. */
const setOff = (text: string) =>
  text.replace(
    /^(-?)(\d{5,})/,
    (_, sign: string, whole: string) => sign + whole.replace(/\B(?=(\d{3})+$)/g, "\u202f"),
  );

export const number = (value: number) => setOff(plain.format(value));

/** A share in hundredths. */
export const percent = (share: number) => `${Math.round(share * 100)} %`;

export const weight = (grams: number) => `${number(fromGrams(grams))} ${weightUnit}`;

export const time = (local: string | null | undefined) => (local ? clock.format(new Date(local)) : "");

/** A piece of a sentence; weights and times as the reader writes them. */
export const said = (piece: { text: string; grams?: number | null; time?: string | null }) =>
  piece.time ? time(piece.time) : piece.grams == null ? piece.text : weight(piece.grams);

export const date = (local: string | null | undefined) => (local ? day.format(new Date(local)) : "");

const weekday = new Intl.DateTimeFormat(locale, { weekday: "short", day: "numeric" });

/** Enough of a date to tell the days of one assignment apart. */
export const shortDate = (local: string | null | undefined) => (local ? weekday.format(new Date(local)) : "");

/** Local time as a plan file writes it, to the minute. */
export function localText(at: Date) {
  const two = (n: number) => String(n).padStart(2, "0");
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}T${two(at.getHours())}:${two(at.getMinutes())}`;
}

export function seconds(value: number) {
  return value < 120 ? `${number(value)} s` : `${number(value / 60)} min`;
}

/** 1/250 s as the dial says it. */
export function shutter(value: number) {
  return value < 0.4 ? `1/${Math.round(1 / value)} s` : `${number(value)} s`;
}

export const fNumber = (value: number) => `f/${number(value)}`;

/** ISO a picture asks, in two significant figures; the third would pretend to more than light meters know. */
export function isoAsked(value: number) {
  const unit = 10 ** Math.max(0, Math.floor(Math.log10(Math.max(value, 1))) - 1);
  return number(Math.round(value / unit) * unit);
}

/** ISO as set on a dial. */
export const isoSet = (value: number) => number(Math.round(value));

export function focal([low, high]: number[]) {
  const mm = (n: number | undefined) => number(Math.round(n ?? 0));
  return low === high ? `${mm(low)} mm` : `${mm(low)}–${mm(high)} mm`;
}

export function stops(over: number) {
  const size = number(Math.abs(over));
  if (size === "0") return "at the ceiling";
  return over > 0 ? `${size} stops over` : `${size} stops in hand`;
}

const monthly = new Intl.DateTimeFormat(locale, { day: "numeric", month: "short" });

/** A date without its year, as in a season. */
export const monthDay = (local: string | null | undefined) => (local ? monthly.format(new Date(local)) : "");
