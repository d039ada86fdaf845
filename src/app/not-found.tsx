import Link from 'next/link'

export default function NotFound() {
  return (
    <div className="p-8">
      <h1 className="text-3xl font-bold">There is nothing here</h1>
      <p className="mt-3">
        <Link className="font-bold text-act underline" href="/">
          Back to the kit
        </Link>
      </p>
    </div>
  )
}
