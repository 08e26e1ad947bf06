import { Table } from 'react-bootstrap';
import type { Metadata } from 'next';
import { licences } from '@/server/shop/about';

export const metadata: Metadata = { title: 'Licences' };

export default function LicencesPage() {
  const all = licences();
  return (
    <>
      <h1>Licences</h1>
      <p>
        Zesty Hound is made with {all.length} packages of others, fonts included. Their licences lie
        with them in the program&rsquo;s folder.
      </p>
      <div className="zh-card zh-scroll">
        <Table size="sm" className="mb-0">
          <thead>
            <tr>
              <th scope="col">Package</th>
              <th scope="col">Version</th>
              <th scope="col">Licence</th>
            </tr>
          </thead>
          <tbody>
            {all.map(({ name, version, licence }) => (
              <tr key={`${name} ${version}`}>
                <th scope="row" className="fw-normal">
                  {name}
                </th>
                <td className="zh-figure">{version}</td>
                <td>{licence}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </div>
    </>
  );
}
