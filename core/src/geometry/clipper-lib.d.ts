declare module 'clipper-lib' {
  interface IntPoint {
    X: number;
    Y: number;
  }
  interface PolyNode {
    Contour(): IntPoint[];
    Childs(): PolyNode[];
  }
  const ClipperLib: {
    ClipType: Record<'ctUnion' | 'ctIntersection' | 'ctDifference', number>;
    PolyType: Record<'ptSubject' | 'ptClip', number>;
    PolyFillType: Record<'pftNonZero', number>;
    JoinType: Record<'jtRound' | 'jtMiter', number>;
    EndType: Record<'etClosedPolygon' | 'etOpenButt', number>;
    PolyTree: new () => PolyNode;
    Clipper: new () => {
      AddPaths(paths: IntPoint[][], type: number, closed: boolean): void;
      Execute(type: number, tree: PolyNode, subjectFill: number, clipFill: number): boolean;
    };
    ClipperOffset: new (
      miterLimit: number,
      arcTolerance: number,
    ) => {
      AddPaths(paths: IntPoint[][], join: number, end: number): void;
      Execute(tree: PolyNode, delta: number): void;
    };
  };
  export default ClipperLib;
}
