export default ''
