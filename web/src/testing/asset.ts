/** Stands for the address of a file that comes along with the application. */
export default '/asset'
