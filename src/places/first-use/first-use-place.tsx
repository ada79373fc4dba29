export default function Soon() {
  return <main className="page" />
}
