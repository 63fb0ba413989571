import type { phonesEndpoints } from '@core/api';
import { notFound } from '../../base/refusal';
import type { Handlers } from '../mount';
import type { Services } from '../services';

/** Phones and tablets of the venue's people, and how they reach the server. */
export function phonesRoutes({ phones, network, version }: Services): Handlers<typeof phonesEndpoints> {
  return {
    readNetwork: () => network.view(),
    readAuthority: ({ response }) => {
      const certificate = network.authorityCertificate;
      if (certificate === undefined) throw notFound('certificate');
      response
        .type('application/x-x509-ca-cert')
        .set('content-disposition', 'attachment; filename="joylap-authority.crt"')
        .send(certificate);
    },
    listPhones: () => ({ phones: phones.list(), version }),
    makePhoneCode: () => phones.newCode(),
    joinPhone: ({ body: { code, name }, response }) => ({ phone: phones.join(response, code, name) }),
    reportPhone: ({ body, request }) => phones.report(request, body),
    leavePhones: ({ request }) => {
      phones.left(request);
      return { left: true };
    },
    changePhone: ({ params: { id }, body }) => ({ phone: phones.change(id, body) }),
    removePhone: ({ params: { id } }) => {
      phones.remove(id);
      return { removed: id };
    },
  };
}
