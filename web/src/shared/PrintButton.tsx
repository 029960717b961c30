/** Prints the page as it stands. */
export const PrintButton = () => (
  <button className="py-1" onClick={() => print()}>
    Print
  </button>
);
