/** Pages of a whole job look at all of its openings at once, so they plan. */
export const load = async ({ parent }) => {
  const { store } = await parent();
  await store.planning();
};
