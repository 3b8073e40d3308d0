export { Bench, J, MINUTE, routes, START } from './case-bench.ts'
export { MadeCase, MONDAY, madeHours, madeRoute } from './made-record.ts'
export { inventedLab } from './plan-lab.ts'
// A test that needs no case takes these by themselves: the bench loads every route.
export { shelf as stainShelf } from './stain-shelf.ts'
export { inMetric, metric, refused } from './words.ts'
