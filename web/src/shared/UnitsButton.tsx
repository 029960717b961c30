import { changeUnits, unitsSaid } from "./units";

/** How figures are written: clock, weights and temperatures together; remembered. */
export function UnitsButton() {
  return (
    <button
      onClick={changeUnits}
      className="py-1"
      title="Change between 24 h, kg, °C and 12 h, lb, °F"
      aria-label={`Figures in ${unitsSaid}; change`}
    >
      {unitsSaid}
    </button>
  );
}
