/** The edges of a strip on the wall, as somebody before it would name them. */

export const pieceEdges = ['top', 'bottom', 'left', 'right'] as const;
export type PieceEdge = (typeof pieceEdges)[number];
