// One setting says how all figures are written: the clock, weights, temperatures and dates together.

const usual = {
  metric: { locale: "en-GB", says: "24 h, kg, °C" },
  imperial: { locale: "en-US", says: "12 h, lb, °F" },
} as const;

type Units = keyof typeof usual;

const stored = kept();
const fromBrowser = /[-_](US|LR|MM)\b/i.test(navigator.language) ? "imperial" : "metric";
const units: Units = stored === "metric" || stored === "imperial" ? stored : fromBrowser;

/** What was chosen; nothing where a viewer keeps nothing. */
function kept() {
  try {
    return localStorage.getItem("units");
  } catch {
    return null;
  }
}

/** The locale that all dates, times and numbers follow. */
export const locale: string = usual[units].locale;

export const unitsSaid: string = usual[units].says;

/** Takes the other; everything on the page is written anew. */
export function changeUnits() {
  localStorage.setItem("units", units === "metric" ? "imperial" : "metric");
  location.reload();
}

const gramsInPound = 453.59237;

/** The unit a weight is typed in. */
export const weightUnit = units === "metric" ? "kg" : "lb";

/** A weight in the unit it is typed in. */
export const fromGrams = (grams: number) => grams / (units === "metric" ? 1000 : gramsInPound);

export const toKilograms = (typed: number) => typed * (units === "metric" ? 1 : gramsInPound / 1000);

/** The unit a temperature is typed in. */
export const temperatureUnit = units === "metric" ? "°C" : "°F";

export const fromCelsius = (celsius: number) => (units === "metric" ? celsius : celsius * 1.8 + 32);

export const toCelsius = (typed: number) => (units === "metric" ? typed : (typed - 32) / 1.8);
