export { place, firstDifference, type Placement } from './place';
export {
  DEFAULT_RULES,
  readNets,
  taskFrom,
  type NamedPoints,
  type PlacementRules,
  type PlacementTask,
  type TaskNet,
  type TaskPart,
} from './task';
export { layoutCost, moves } from './cost';
