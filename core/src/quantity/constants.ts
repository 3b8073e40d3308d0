/** The ice point on the thermodynamic scale, K; exact by definition of the degree Celsius (SI brochure). */
export const ICE_POINT_KELVIN = 273.15
/** J/(mol·K); exact since 2019, here to the figures with which the models were worked out (CODATA 2018: 8.314462618). */
export const GAS_CONSTANT = 8.314
/** W/(m²·K⁴), rounded from the exact value of the SI (CODATA 2018: 5.670374419e-8). */
export const STEFAN_BOLTZMANN = 5.670374e-8
