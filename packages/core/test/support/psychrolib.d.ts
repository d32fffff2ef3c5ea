declare module 'psychrolib' {
  const psychrolib: {
    readonly SI: number;
    SetUnitSystem(system: number): void;
    /** °C to Pa. */
    GetSatVapPres(temperature: number): number;
    /** °C and a share of 1 to °C. */
    GetTDewPointFromRelHum(temperature: number, humidity: number): number;
  };
  export default psychrolib;
}
