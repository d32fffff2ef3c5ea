export const load = async ({ parent }) => {
  const { store } = await parent();
  await store.planning();
};
