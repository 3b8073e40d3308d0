export { Bench, J, MINUTE, routes, START } from './case-bench.ts'
// A test that needs no case takes these by themselves: the bench loads every route.
export { inMetric, metric, refused } from './words.ts'
