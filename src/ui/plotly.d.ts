declare module 'plotly.js-basic-dist-min' {
  /** The parts of Plotly.js that are used here (https://plotly.com/javascript/reference/). */
  const Plotly: {
    newPlot(root: HTMLElement, data: readonly object[], layout: object, config: object): Promise<unknown>;
    purge(root: HTMLElement): void;
  };
  export default Plotly;
}
