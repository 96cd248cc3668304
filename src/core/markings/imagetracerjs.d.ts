/** Traces pixels to outlines, a layer for each colour; public domain. What of it is used here. */
declare module 'imagetracerjs' {
  interface Segment {
    type: 'L' | 'Q';
    x1: number;
    y1: number;
    x2: number;
    y2: number;
    x3?: number;
    y3?: number;
  }
  interface Colour {
    r: number;
    g: number;
    b: number;
    a: number;
  }
  interface Pixels {
    width: number;
    height: number;
    data: Uint8ClampedArray;
  }
  interface Options {
    pal?: Colour[];
    numberofcolors?: number;
    colorsampling?: 0 | 1 | 2;
    colorquantcycles?: number;
    mincolorratio?: number;
    pathomit?: number;
    ltres?: number;
    qtres?: number;
    rightangleenhance?: boolean;
    linefilter?: boolean;
    blurradius?: number;
    blurdelta?: number;
  }
  const tracer: {
    colorquantization(pixels: Pixels, options: Options): { array: number[][]; palette: Colour[] };
    imagedataToTracedata(pixels: Pixels, options: Options): { layers: { segments: Segment[] }[][]; palette: Colour[] };
    checkoptions(options: Options): Options;
  };
  export default tracer;
}
