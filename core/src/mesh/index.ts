export { CornerTable } from './corner-table.ts'
export {
  type MeshMeasure,
  type MeshSize,
  type MeshTightness,
  measureMesh,
  meshSize,
  meshTightness,
} from './measure-mesh.ts'
export { cm3FromMeshVolume, likelyMeshUnits, type MeshUnitId, meshUnits } from './mesh-units.ts'
export { meshForView, topView } from './mesh-view.ts'
export { type MeshFormat, readMesh } from './read-mesh.ts'
export { indexedTriangles, plainTriangles, type Triangles } from './triangles.ts'
