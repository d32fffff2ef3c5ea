/** A width and a height in mm. */

export interface Size {
  readonly width: number;
  readonly height: number;
}
